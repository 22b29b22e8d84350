# frozen_string_literal: true

require_relative '../server_helper'

# Teaching to teach: the fault that a candidate named against the one that was played and the one the recording shows.
class TeachingTest < Minitest::Test
  include ServerHelp

  def setup
    super
    @candidate = person('candidate', 'instructor_candidate', stage: 'instructor')
    @lesson = sortie(student: @candidate)
  end

  def late = @late ||= imported(@lesson, faults: [{ 'late_collective' => 1.5 }]).first

  def call_fault(attempt, kind, fault, cue: nil) =
    post_json(
      "/api/attempts/#{attempt.id}/fault-calls",
      { id: SecureRandom.uuid, kind: kind, fault: fault, cue: cue }.compact
    )

  def seen(attempt)
    get "/api/sorties/#{attempt.sortie_id}/attempts"
    answer.find { |a| a['id'] == attempt.id }
  end

  def test_a_candidate_sees_neither_the_recorded_nor_the_played_fault_before_naming_one
    as(@instructor)
    late
    as(@instructor)
    call_fault(late, 'played', 'late_collective')
    as(@candidate)
    before = seen(late)

    assert_equal 'name_fault_first', before['shown']
    refute before.key?('fault_details')
    refute before['teaching'].key?('played')
    refute before['teaching'].key?('recorded')

    call_fault(late, 'named', 'late_collective', cue: 'Left hand down at once')
    after = answer

    assert_equal 'all', after['shown']
    assert_equal 'first', after['teaching']['verdict']
    assert_equal 'Left hand down at once', after['teaching']['named']['cue']
    assert_equal 'late_collective', after['teaching']['played']['fault']
    assert_equal 'Late collective', after['teaching']['recorded'].first
  end

  { 'late_collective' => 'first', 'weak_flare' => 'not_there' }.each do |named, verdict|
    define_method("test_naming_#{named}_is_#{verdict}") do
      attempt = late
      as(@candidate)
      call_fault(attempt, 'named', named)

      assert_equal verdict, answer['teaching']['verdict']
      assert_equal Fujin::Progress::Teaching::PROPOSED.fetch(verdict), answer['teaching']['proposed_spotted']
    end
  end

  def test_no_fault_named_where_there_is_none_is_right
    attempt = imported(@lesson, faults: [{}]).first
    as(@candidate)
    call_fault(attempt, 'named', nil)

    assert_equal 'first', answer['teaching']['verdict']
  end

  def test_what_was_named_first_counts_and_who_says_what
    attempt = late
    as(@candidate)
    call_fault(attempt, 'played', 'late_collective')

    assert_equal 403, status
    call_fault(attempt, 'named', 'no_such_fault')

    assert_equal 422, status
    call_fault(attempt, 'named', 'weak_flare')
    call_fault(attempt, 'named', 'late_collective')

    assert_equal 409, status
    as(@instructor)
    call_fault(attempt, 'named', 'late_collective')

    assert_equal 403, status
  end

  def test_an_ordinary_lesson_taught_nobody_to_teach
    attempt = imported(@sortie, faults: [{}]).first
    as(@instructor)
    call_fault(attempt, 'played', 'late_collective')

    assert_equal 409, status
    assert_nil seen(attempt)['teaching']
    post_json "/api/attempts/#{attempt.id}/grades",
              { grades: [{ id: SecureRandom.uuid, phase: 'explained', kind: 'teaching', grade: 3 }] }

    assert_equal 422, status
  end

  def test_teaching_is_graded_and_the_flying_in_it_earns_no_readiness
    attempt = late
    as(@instructor)
    post_json "/api/attempts/#{attempt.id}/grades",
              { grades: [{ id: SecureRandom.uuid, phase: 'spotted', kind: 'teaching', grade: 4 }] }

    assert_equal 200, status
    assert_equal [4, 'Instructor'],
                 answer['teaching']['items'].find { |item| item['id'] == 'spotted' }.values_at('grade', 'by')
    grade_all(attempt, @instructor, 'instructor')
    get "/api/students/#{@candidate.id}/lessons"

    refute answer['history'].find { |entry| entry['attempt_id'] == attempt.id }['counts']
    as(@candidate)
    post_json "/api/attempts/#{attempt.id}/grades",
              { grades: [{ id: SecureRandom.uuid, phase: 'spotted', kind: 'teaching', grade: 4 }] }

    assert_equal 403, status
  end

  def test_a_flight_whose_teaching_is_graded_waits_for_nobody
    attempt = late
    @lesson.update!(go_decision: 'go')

    assert_equal 'Grade 1 of 1 attempt', Fujin::SortieProgress.new(@lesson.reload).next_step
    as(@instructor)
    post_json "/api/attempts/#{attempt.id}/grades",
              { grades: [{ id: SecureRandom.uuid, phase: 'cue', kind: 'teaching', grade: 3 }] }

    assert_equal 'Enter the flight time', Fujin::SortieProgress.new(Fujin::Sortie.find(@lesson.id)).next_step
  end

  def test_a_candidate_sees_only_the_own_records
    other = imported(@sortie, faults: [{}]).first
    as(@candidate)
    get "/api/sorties/#{other.sortie_id}/attempts"

    assert_equal 404, status
  end
end
