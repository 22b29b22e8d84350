# frozen_string_literal: true

require_relative '../server_helper'

# A lesson of several exercises: arranged, flown in one recording, each attempt measured on its own exercise's plan, a
# wrong match mended.
class LessonTest < Minitest::Test
  include ServerHelp

  def lesson = "/api/sorties/#{@sortie.id}"

  def add(manoeuvre, **fields)
    post_json("#{lesson}/exercises", { id: SecureRandom.uuid, manoeuvre: manoeuvre, **fields })
  end

  def titles = answer['exercises'].map { |row| row['title'] }

  def setup
    super
    as(@instructor)
  end

  def test_exercises_are_added_in_order_at_the_same_place_and_moved
    add('hovering_autorotation', planned_count: 2)
    id = SecureRandom.uuid
    2.times { post_json("#{lesson}/exercises", { id: id, manoeuvre: 'steep_approach' }) }

    assert_equal 201, status
    assert_equal ['Straight-in autorotation', 'Hovering autorotation', 'Steep approach'], titles
    assert_equal([[nil, 'Heath'], [2, 'Heath'], [nil, 'Heath']],
                 answer['exercises'].map { |row| row.values_at('planned_count', 'spot_name') })
    ids = answer['exercises'].map { |row| row['id'] }
    put_json("#{lesson}/exercises", { order: ids.rotate })

    assert_equal ['Hovering autorotation', 'Steep approach', 'Straight-in autorotation'], titles
    put_json("#{lesson}/exercises", { order: ids.first(2) })

    assert_equal 422, status
  end

  def test_an_exercise_that_this_aircraft_does_not_fly_is_refused_and_the_last_one_stays
    add('gyro_take_off')

    assert_equal 409, status
    custom_request('DELETE', "/api/exercises/#{@sortie.exercise.id}", {}, 'HTTP_X_CSRF_TOKEN' => @token)

    assert_equal 409, status
    add('hover')
    custom_request('DELETE', "/api/exercises/#{answer['exercises'][1]['id']}", {}, 'HTTP_X_CSRF_TOKEN' => @token)

    assert_equal [200, ['Straight-in autorotation']], [status, titles]
  end

  def test_a_change_goes_to_the_exercise_that_is_named_and_its_plan_follows
    add('steep_approach')
    steep = answer['exercises'][1]
    patch_json("#{lesson}?exercise=#{steep['id']}", { settings: { approach_angle_deg: 12 }, fuel_kg: 33 },
               { 'HTTP_IF_MATCH' => last_response['etag'] })

    assert_equal 200, status
    assert_in_delta 33, answer['fuel_kg']
    assert_equal([nil, 12], answer['exercises'].map { |row| row['settings']['approach_angle_deg'] })
    post_json("#{lesson}/plan?exercise=#{steep['id']}")

    assert_equal ['steep_approach', 12.0], [answer['manoeuvre'], answer['numbers']['approach_angle_deg']['value']]
    post_json("#{lesson}/plan?exercise=#{SecureRandom.uuid}")

    assert_equal 404, status
  end

  # Straight-in, a turn that began four seconds late, an S-turn: none, late_turn, none.
  def flown_lesson
    add('turning_autorotation', settings: { turn_deg: 180 })
    add('s_turn_autorotation')
    setting = Fujin::SortieSetting.new(@sortie.reload)
    csv = Fujin::Lessons::FlownLesson.new(
      setting.conditions, faults: [{}], origin: CORE_SPOT, elevation_ft: 62.0, house: setting.house, course_deg: 350.0,
                          seed: 4, others: [{ manoeuvre: 'turning_autorotation', settings: { 'turn_deg' => 180 },
                                              faults: [{ 'late_turn' => 6.0 }] },
                                            { manoeuvre: 's_turn_autorotation', faults: [{}] }]
    ).csv
    upload(@sortie, csv)
    work_off
    get "#{lesson}/attempts"
    answer.select { |attempt| attempt['asked'] }
  end

  def test_each_attempt_is_measured_on_its_exercises_plan
    found = flown_lesson
    ids = @sortie.reload.exercises.map(&:id)

    assert_equal(%w[straight_in_autorotation turning_autorotation s_turn_autorotation], found.map do |a|
      a['manoeuvre']
    end)
    assert_equal(ids, found.map { |a| a['exercise_id'] })
    assert_equal([nil, 'late_turn', nil], found.map { |a| a['first_fault'] })
    get lesson

    assert_equal([1, 1, 1], answer['exercises'].map { |row| row['attempts'] })
  end

  def test_a_wrong_match_is_mended_and_measured_again
    found = flown_lesson
    turning = found[1]
    put_json("/api/attempts/#{turning['id']}/exercise", { exercise_id: nil })

    assert_equal [200, false, nil], [status, answer['asked'], answer['exercise_id']]
    refute_equal 'late_turn', answer['first_fault'], 'nothing was planned for it'
    put_json("/api/attempts/#{turning['id']}/exercise", { exercise_id: turning['exercise_id'] })

    assert_equal %w[turning_autorotation late_turn], answer.values_at('manoeuvre', 'first_fault')
    put_json("/api/attempts/#{turning['id']}/exercise", { exercise_id: @sortie.exercise.id })

    assert_equal 'straight_in_autorotation', answer['manoeuvre'], answer
    add('hover')
    custom_request('DELETE', "/api/exercises/#{found[2]['exercise_id']}", {}, 'HTTP_X_CSRF_TOKEN' => @token)

    assert_equal 409, status, 'it was flown'
  end

  def test_the_sheet_has_a_page_for_the_day_and_one_an_exercise
    add('hovering_autorotation')
    get "#{lesson}/brief"

    assert_equal 3, last_response.body.scan(%r{/Type /Page\b}).size
  end

  def test_offers_begin_with_the_last_lesson
    before = sortie(starts_at: Time.utc(2026, 11, 20, 10), next_focus: 'One cue', manoeuvre: 'hover')
    get "#{lesson}/offers"

    assert_equal 'As on 20 November', answer.first['title']
    assert_equal([['hover', {}]], answer.first['exercises'].map { |row| row.values_at('manoeuvre', 'settings') })
    assert_equal before.next_focus, answer.first['reason']
    refute_includes answer.map { |row| row['title'] }, 'Gyroplane landings'
  end

  # A lesson kept by one instructor is offered to all, with what it asked; dropped by them or the chief.
  def test_a_lesson_is_kept_to_be_taken_again
    @sortie.exercise.update!(objective: 'Two in a row', planned_count: 3)
    add('turning_autorotation', settings: { turn_deg: 180 })
    id = SecureRandom.uuid
    2.times { post_json "#{lesson}/template", { id: id, title: 'Our Tuesday' } }

    assert_equal 201, status
    kept = answer.find { |row| row['template_id'] == id }

    assert_equal([['straight_in_autorotation', 3, 'Two in a row'], ['turning_autorotation', nil, nil]],
                 kept['exercises'].map { |row| row.values_at('manoeuvre', 'planned_count', 'objective') })
    post_json "#{lesson}/template", { id: SecureRandom.uuid, title: 'our tuesday' }

    assert_equal 409, status
    as(person('another', 'instructor'))
    call('DELETE', "/api/templates/#{id}", {})

    assert_equal 403, status
    as(@chief)
    call('DELETE', "/api/templates/#{id}", {})

    assert_equal 204, status
    assert_equal 0, Fujin::LessonTemplate.count
  end

  def test_a_student_arranges_nothing
    as(@student)
    add('hover')

    assert_equal 403, status
  end
end
