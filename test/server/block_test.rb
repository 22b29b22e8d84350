# frozen_string_literal: true

require_relative '../server_helper'

# Counted blocks from the database's rows: recordings and taps, the school's own counts, what people see of them.
class CountedBlocksTest < Minitest::Test
  include ServerHelp

  def gyro_lesson(manoeuvre = 'gyro_take_off', settings = {})
    gyro = Fujin::AircraftRow.find_or_create_by!(mark: 'Q-GYRO', type_id: 'sorrel-g')
    sortie(aircraft: gyro, manoeuvre: manoeuvre, settings: settings, starts_at: @sortie.starts_at + 86_400)
  end

  # Taps of attempts, each with its cockpit grades.
  def tap(lesson, grades)
    phase = lesson.exercise.declaration.phases.first
    events = grades.each_with_index.flat_map do |grade, i|
      [event('attempt', i, nil), event('grade', i, { grade: grade }, phase)]
    end
    post_json "/api/sorties/#{lesson.id}/events", { events: events }

    assert_equal 200, status, last_response.body
    events
  end

  def event(kind, number, payload, phase = nil)
    { id: SecureRandom.uuid, kind: kind, at: (Time.utc(2026, 11, 25, 10) + (60 * number)).iso8601(3),
      attempt_no: number + 1, phase: phase, payload: payload || {} }
  end

  def block(id) = answer['blocks'].find { |one| one['id'] == id }

  # Four take-offs that nothing recorded, one of them under the level: three count, on the page, the sheet, the brief.
  def test_taps_count_where_nothing_was_recorded
    lesson = gyro_lesson
    as(@instructor)
    tap(lesson, [3, 2, 1, 4])
    get "/api/students/#{@student.id}"

    assert_equal [3, 10], block('first_take_offs')['rungs'].first.values_at('done', 'count')
    refute block('first_take_offs')['complete']
    assert_equal ['Gyroplane take-off'], block('first_take_offs')['needed_for']
    get "/api/sorties/#{lesson.id}"

    assert_equal ['First take-offs: 3 of 10 stop-and-restart take-offs'], answer['exercises'].first['counted']
    get "/api/sorties/#{lesson.id}/brief"

    assert_equal 200, status
  end

  # Landings of no power that anyone named stand on no rung; the next are planned so that they do.
  def test_the_next_landings_are_planned_on_their_rung
    lesson = gyro_lesson('gyro_landing')
    as(@instructor)
    tap(lesson, [3])
    get "/api/students/#{@student.id}"
    advised = answer['advice'].find { |one| one['manoeuvre'] == 'gyro_landing' }

    assert_equal [0, { 'power_share_pct' => 30 }],
                 [block('landings_by_power')['rungs'].first['done'], advised['settings']]
    get "/api/sorties/#{lesson.id}/offers"
    offered = answer.find { |one| one['title'] == 'What comes next' }['exercises']

    assert_equal advised['settings'], offered.find { |one| one['manoeuvre'] == 'gyro_landing' }['settings']
    tap(gyro_lesson('gyro_landing', advised['settings']), [3])
    get "/api/students/#{@student.id}"

    assert_equal 1, block('landings_by_power')['rungs'].first['done']
  end

  def test_an_undone_attempt_counts_no_more
    lesson = gyro_lesson
    as(@instructor)
    first = tap(lesson, [3, 3]).first
    post_json "/api/sorties/#{lesson.id}/events",
              { events: [{ id: SecureRandom.uuid, kind: 'undo', at: Time.utc(2026, 11, 25, 11).iso8601(3),
                           payload: { target: first[:id] } }] }
    get "/api/students/#{@student.id}"

    assert_equal 1, block('first_take_offs')['rungs'].first['done']
  end

  # What a recording shows is counted from it, not from the taps beside it.
  def test_a_recorded_flight_is_counted_by_its_attempts
    as(@instructor)
    tap(@sortie, [3, 3, 3])
    imported(@sortie)

    assert_predicate Fujin::KeptProgress.attempts(@student), :any?
    assert(Fujin::KeptProgress.attempts(@student).all?(&:recorded?))
  end

  def test_the_chief_sets_the_counts_and_whether_a_sign_off_waits
    as(@instructor)
    put_json '/api/blocks/first_take_offs', { counts: [5], needed: false }

    assert_equal 403, status
    as(@chief)
    put_json '/api/blocks/first_take_offs', { counts: [5], needed: false }

    assert_equal 200, status
    assert_equal([false, 5], answer['blocks'].first.then { |one| [one['needed'], one['rungs'].first['count']] })
    put_json '/api/blocks/hovering_rungs', { counts: [1, 1], needed: true }

    assert_equal 422, status
    assert_includes answer['detail'], 'expected 3, one a rung, got 2'
    put_json '/api/blocks/none', { counts: [1], needed: true }

    assert_equal 404, status
    assert_equal 5, Fujin::School.current.counted_blocks.first.rungs.first.wanted
  end

  # Records know only those measures of an attempt; a block that asked for another would count nothing.
  def test_what_blocks_count_by_is_kept
    asked = Fujin::Progress::Block.usual.flat_map(&:rungs).filter_map { |rung| rung.measure&.name }

    assert_empty asked - Fujin::AttemptRow::COUNTED
  end

  # What lists read is what the proposal says, of part-tasks and of what is left out too.
  def test_a_light_row_says_the_same
    attempts = imported(@sortie, faults: [{ 'late_collective' => 1.6 }, {}])
    attempts.first.update!(task: 'cyclic')
    whole = Fujin::AttemptRow.order(:id).to_a
    lessons = Fujin::Sortie.all.to_a
    Fujin::LightAttempts.preload(lessons)
    light = lessons.flat_map { |one| one.attempts.to_a }.sort_by(&:id)

    assert_equal(whole.map(&:proposed_phases), light.map(&:proposed_phases))
    assert_equal(whole.map { |row| row.judged['critical'] }, light.map { |row| row.judged['critical'] })
    assert_equal(whole.map { |row| row.proposal['result'] }, light.map { |row| row.told['result'] })
    delays = ->(rows) { rows.map { |row| row.counted('collective_delay_s') } }

    assert_equal delays.call(whole), delays.call(light)
    assert(light.all?(&:light?))
  end

  # Who moved the throttle is kept with the attempt: as the house has it, until somebody says otherwise.
  def test_who_moved_the_throttle
    attempt = imported(@sortie).find(&:asked?)

    assert_equal 'instructor', attempt.throttle_by
    put_json "/api/attempts/#{attempt.id}/manner", { manner: 'announced', task: 'whole', throttle_by: 'student' }

    assert_equal 'student', answer['throttle_by']
    assert_equal 'student', attempt.reload.throttle_by
  end
end
