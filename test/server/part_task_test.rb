# frozen_string_literal: true

require_relative '../server_helper'

# How an attempt was flown: part-tasks judged on the student's control, demonstrations that count for nothing, surprises
# compared with announced failures.
class PartTaskTest < Minitest::Test
  include ServerHelp

  # Rotor rpm too low in the glide, speed as wanted.
  def low_rotor
    @low_rotor ||= imported(@sortie, faults: [{ 'low_rotor_rpm' => 9.0 }]).first
  end

  def tell(attempt, manner: 'announced', task: 'whole') =
    put_json("/api/attempts/#{attempt.id}/manner", { manner: manner, task: task })

  def proposed(phase) = answer['phases'].find { |row| row['id'] == phase }['proposed']

  def test_a_part_task_is_judged_on_its_control_alone
    attempt = low_rotor
    as(@instructor)
    tell(attempt)
    whole = proposed('glide')
    tell(attempt, task: 'cyclic')
    cyclic = proposed('glide')

    assert_operator whole, :<=, 2
    assert_operator cyclic, :>=, 3
    assert_nil answer['measures']['glide_rotor_rpm_mean_pct']['verdict']
    refute_nil answer['measures']['glide_rotor_rpm_mean_pct']['value']
    refute_equal 'low_rotor_rpm', answer['first_fault']
    tell(attempt, task: 'collective')

    assert_equal [whole, 'low_rotor_rpm'], [proposed('glide'), answer['first_fault']]
    tell(attempt)

    assert_equal whole, proposed('glide'), 'nothing of the proposal was lost'
  end

  # The list comes without them, whatever an attempt is judged by; one at a time they are there.
  def test_measures_are_told_of_the_attempt_that_is_asked_for
    attempt = low_rotor
    as(@instructor)
    [{}, { task: 'cyclic' }].each do |controls|
      tell(attempt, **controls)
      told = answer
      get "/api/attempts/#{attempt.id}"

      assert_equal told, answer
      listed = read_list('').find { |one| one['id'] == attempt.id }

      assert_equal told.except('measures'), listed, controls
      assert_includes read_list('?with=measures'), told
    end
  end

  def read_list(query)
    get "/api/sorties/#{@sortie.id}/attempts#{query}"
    answer
  end

  # In the words that the grade is told with.
  def test_what_drove_a_grade_is_named
    attempt = low_rotor
    as(@instructor)
    tell(attempt)
    glide = answer['phases'].find { |phase| phase['id'] == 'glide' }

    assert_equal answer['measures'][glide['driver']]['label'], glide['because']
  end

  def test_a_limit_passed_stays_whoever_had_what
    proposal = {
      'measures' => {},
      'phases' => [],
      'fault_details' => [
        { 'id' => 'exceeded_limit', 'measures' => [] },
        { 'id' => 'slow_glide', 'measures' => ['gate_ias_kt'] }
      ]
    }

    assert_equal %w[exceeded_limit], Fujin::JudgedProposal.new(proposal, 'pedals').to_h['faults']
    assert_equal %w[exceeded_limit slow_glide], Fujin::JudgedProposal.new(proposal, 'cyclic').to_h['faults']
  end

  # Only what is judged is asked for, so that a part-task can be graded to its end.
  def test_a_part_task_is_graded_and_does_not_count_towards_readiness
    attempt = low_rotor
    as(@instructor)
    tell(attempt, task: 'pedals')
    wanted = answer['phases'].reject { |phase| phase['proposed'].nil? }

    assert_operator wanted.size, :<, attempt.proposal['phases'].size
    grades =
      wanted.map { |phase| { id: SecureRandom.uuid, phase: phase['id'], kind: 'instructor', grade: phase['proposed'] } }
    post_json "/api/attempts/#{attempt.id}/grades", { grades: grades }
    get "/api/students/#{@student.id}/lessons"
    row = answer['history'].find { |entry| entry['attempt_id'] == attempt.id }

    refute row['counts']
    refute_nil row['level']
  end

  def test_a_demonstration_does_not_count
    attempt = low_rotor
    as(@instructor)
    tell(attempt, manner: 'demonstration')
    grade_all(attempt, @instructor, 'instructor')
    get "/api/students/#{@student.id}/lessons"

    refute answer['history'].find { |entry| entry['attempt_id'] == attempt.id }['counts']
  end

  def test_taps_say_it_before_the_recording_comes
    now = Time.now.utc.iso8601
    as(@instructor)
    events = [['attempt', nil], %w[task collective], %w[manner surprise]].map do |kind, value|
      { id: SecureRandom.uuid, kind: kind, at: now, attempt_no: 1, payload: { value: value }.compact }
    end
    post_json "/api/sorties/#{@sortie.id}/events", { events: events }

    assert_equal 200, status
    first, second = imported(@sortie, faults: [{}, {}])

    assert_equal %w[surprise collective], [first.manner, first.task]
    assert_equal %w[announced whole], [second.manner, second.task]
  end

  def test_a_surprise_is_compared_with_announced_failures
    prompt, late = imported(@sortie, faults: [{}, { 'late_collective' => 1.0 }])
    as(@instructor)
    tell(prompt)
    tell(late, manner: 'surprise')
    get "/api/students/#{@student.id}"
    announced, surprise = answer['reactions']

    assert_equal %w[announced surprise], [announced['manner'], surprise['manner']]
    assert_in_delta 1.0, surprise['median_s'] - announced['median_s'], 0.15
  end

  def test_words_that_are_not_offered_are_refused
    attempt = low_rotor
    as(@instructor)
    tell(attempt, task: 'throttle')

    assert_equal 400, status
    as(@student)
    tell(attempt)

    assert_equal 403, status
  end
end
