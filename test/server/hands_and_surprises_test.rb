# frozen_string_literal: true

require_relative '../server_helper'

# Exercises of which the student has one control only, and failures that the student does not expect.
class HandsAndSurprisesTest < Minitest::Test
  include ServerHelp

  WHEN = 'downwind, abeam the spot'

  def change(fields, exercise = @sortie.exercises.first)
    as(@instructor)
    get "/api/sorties/#{@sortie.id}"
    patch_json "/api/sorties/#{@sortie.id}?exercise=#{exercise.id}", fields, 'HTTP_IF_MATCH' => last_response['ETag']
  end

  def added(manoeuvre, **fields)
    as(@instructor)
    id = SecureRandom.uuid
    post_json "/api/sorties/#{@sortie.id}/exercises", { id: id, manoeuvre: manoeuvre, **fields }
    @sortie.reload.exercises.find { |one| one.id == id }
  end

  def flown_as(attempt) = attempt.reload.attributes.values_at('manner', 'task')

  def seen_by(person)
    as(person)
    get "/api/sorties/#{@sortie.id}"
    answer
  end

  # What is judged of the collective alone is what the collective answers for, and nothing of readiness is shown.
  def test_a_part_task_is_planned_and_judged
    change({ task: 'collective' })

    assert_equal 200, status
    hands = answer['exercises'].first['hands']

    assert_equal 'The student has the collective and nothing else; the instructor flies the rest, and disturbs it.',
                 hands['text']
    assert_includes hands['judged'], 'Mean rotor rpm in glide'
    refute_includes hands['judged'], Fujin::Glossary.measure('glide_ias_mean_kt').label
    attempt = imported(@sortie.reload).find(&:asked?)

    assert_equal 'collective', attempt.task
    refute_predicate attempt, :whole?
    judged = attempt.judged['measures'].select { |_, measure| measure['verdict'] }.keys
    controls = judged.map { |id| Fujin::Glossary.measure(id).control }.uniq

    assert_equal ['collective'], controls
  end

  # Whatever was tapped in the air goes before what was planned.
  def test_a_tap_says_otherwise
    change({ task: 'collective' })
    Fujin::FlyEvent.create!(id: SecureRandom.uuid, sortie: @sortie, kind: 'task', at: @sortie.starts_at, attempt_no: 1,
                            payload: { 'value' => 'whole' }, by: @instructor)

    assert_equal 'whole', imported(@sortie.reload).find(&:asked?).task
  end

  def test_a_surprise_is_not_told_to_the_student_until_it_was_flown
    secret = added('hovering_autorotation')
    change({ surprise: WHEN }, secret)

    assert_equal 200, status
    assert_equal([nil, WHEN], seen_by(@instructor)['exercises'].map { |one| one['surprise'] })

    mine = seen_by(@student)

    assert_equal(['straight_in_autorotation'], mine['exercises'].map { |one| one['manoeuvre'] })
    refute_includes last_response.body, 'Hovering'
    post_json "/api/sorties/#{@sortie.id}/plan?exercise=#{secret.id}", {}

    assert_equal 404, status
    get '/api/today'

    refute_includes last_response.body, 'Hovering'
    get "/api/students/#{@student.id}"

    refute_includes last_response.body.split('"sorties"').last, 'Hovering'
    get "/api/sorties/#{@sortie.id}/brief"

    assert_equal 1, last_response.body.scan(%r{/Type /Page\b}).size

    change({ off_at: '2026-11-25T10:00:00Z', on_at: '2026-11-25T10:40:00Z' })

    assert_equal([nil, WHEN], seen_by(@student)['exercises'].map { |one| one['surprise'] })
  end

  # The same lesson in every list of lessons, for whom it is a surprise and for whom not.
  def test_no_list_names_a_surprise_to_its_student_before_it_was_flown
    secret = added('hovering_autorotation')
    secret.update!(surprise: WHEN)
    told = ->(who) do
      board = Fujin::TodayBoard.new(who, @sortie.starts_at.to_date).to_h
      lessons = Fujin::StudentLessons.new(@student, who).to_h['sorties']
      [*board.values_at('sorties', 'earlier', 'later').flatten, *lessons]
        .map { |row| row.values_at('title', 'manoeuvres') }.uniq
    end
    plain = ['Straight-in autorotation', ['straight_in_autorotation']]
    whole = ['Straight-in autorotation, Hovering autorotation', %w[straight_in_autorotation hovering_autorotation]]

    assert_equal [plain], told.call(@student)
    assert_equal [whole], told.call(@instructor)
    @sortie.update!(off_at: @sortie.starts_at, on_at: @sortie.starts_at + 2400)

    assert_equal [whole], told.call(@student)
  end

  # The rule stands in Ruby and in SQL (Exercise): planned, surprising, flown, tried before the flight time is entered.
  def test_what_is_known_in_a_list_is_what_is_known_of_the_lesson
    secret = added('hovering_autorotation')
    both = -> do
      rows = Fujin::Exercise.where(sortie_id: @sortie.id)
      [rows.joins(:sortie).where(Fujin::Exercise::KNOWN).ids.sort, rows.reject(&:secret?).map(&:id).sort]
    end

    known = [nil, WHEN].map do |surprise|
      secret.update!(surprise: surprise)
      both.call.tap { |sql, ruby| assert_equal ruby, sql }.first.size
    end
    imported(@sortie).first.update!(exercise: secret)
    tried = both.call

    assert_equal [2, 1, 2], [*known, tried.first.size]
    assert_equal tried.last, tried.first
  end

  def test_an_attempt_at_it_is_a_surprise
    added('hovering_autorotation')
    change({ surprise: WHEN })

    attempt = imported(@sortie.reload).find(&:asked?)

    assert_equal 'surprise', attempt.manner
    # It was entered where it is planned to be entered: the house glide reaches.
    get "/api/attempts/#{attempt.id}/pictures"
    reachable = answer['reachable']

    assert_match(/\AFrom 1000 ft, \d+ ft before the spot: the spot lay within reach of the house glide/,
                 reachable['text'])
    assert_includes(reachable['reaches'].map { |one| one['option'] }, 'slow')
    # Announced, nothing of it is told.
    attempt.update!(manner: 'announced')
    get "/api/attempts/#{attempt.id}/pictures"

    assert_nil answer['reachable']
    # From where nothing reaches, that is said.
    attempt.update!(manner: 'surprise', path: attempt.path.map do |point|
      point.merge('along_ft' => point['along_ft'] - 9000)
    end)
    get "/api/attempts/#{attempt.id}/pictures"

    assert_includes answer['reachable']['text'], 'no way reaches the spot'
  end

  # An attempt that is given to another exercise is flown as that one has it, unless somebody said otherwise.
  def test_given_over
    plain = added('straight_in_autorotation')
    change({ task: 'pedals', surprise: WHEN })
    attempt = imported(@sortie.reload).find(&:asked?)

    assert_equal %w[surprise pedals], flown_as(attempt)
    put_json "/api/attempts/#{attempt.id}/exercise", { exercise_id: plain.id }

    assert_equal %w[announced whole], flown_as(attempt)
    attempt.update!(manner: 'demonstration')
    put_json "/api/attempts/#{attempt.id}/exercise", { exercise_id: @sortie.exercises.first.id }

    assert_equal %w[demonstration pedals], flown_as(attempt)
  end

  # The student has to prepare for something.
  def test_a_lesson_is_not_all_surprises
    change({ surprise: WHEN })

    assert_equal 409, status
    assert_includes answer['detail'], 'A surprise comes in the middle of something'
    other = added('hovering_autorotation')
    change({ surprise: WHEN })

    assert_equal 200, status
    delete "/api/exercises/#{other.id}", {}, 'HTTP_X_CSRF_TOKEN' => @token

    assert_equal 409, status
  end
end
