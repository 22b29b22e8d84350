# frozen_string_literal: true

require_relative '../server_helper'

# Grades: what is proposed, what is held back, what is refused, what stays on record.
class ReviewTest < Minitest::Test
  include ServerHelp

  def landings = Fujin::AttemptRow.where(manoeuvre: 'straight_in_autorotation')

  def test_the_student_grades_first_and_then_sees_the_rest
    attempt = imported(@sortie).first
    grade_all(attempt, @instructor, 'instructor')
    as(@student)
    get "/api/sorties/#{@sortie.id}/attempts"
    before = answer.first

    assert_equal 'self_grade_first', before['shown']
    assert_nil before['measures']
    assert_empty before['grades']
    assert(before['phases'].none? { |p| p['proposed'] || p['driver'] })

    grade_all(attempt, @student, 'self', grade: 4)

    assert_equal 'all', answer['shown']
    assert_equal(%w[instructor self], answer['grades'].map { |g| g['kind'] }.uniq.sort)
    refute_nil answer['measures']

    grade_all(attempt, @student, 'self', grade: 2)
    assert_equal 409, status
    assert_includes answer['detail'], 'what was said first stays'
  end

  def test_a_change_from_the_proposal_wants_a_reason_and_both_stay_on_record
    attempt = imported(@sortie, faults: [{ 'late_collective' => 1.5 }]).first
    as(@instructor)
    entry = { id: SecureRandom.uuid, phase: 'entry', kind: 'instructor', grade: 3 }
    post_json "/api/attempts/#{attempt.id}/grades", { grades: [entry] }
    assert_equal 422, status
    assert_equal 'grades.0.reason', answer['errors'].first['path']

    post_json "/api/attempts/#{attempt.id}/grades", { grades: [entry.merge(reason: 'Surprised by traffic')] }
    kept = answer['grades'].first
    assert_equal [3, 1, 'Surprised by traffic'], kept.values_at('grade', 'proposed', 'reason')
    assert_equal 'straight-in-2026.3', kept['standard_version']
  end

  def test_grades_are_added_never_changed
    attempt = imported(@sortie).first
    grade_all(attempt, @instructor, 'instructor')
    count = Fujin::GradeRow.count

    assert_raises(ActiveRecord::StatementInvalid) { Fujin::GradeRow.first.update!(grade: 0) }
    grade_all(attempt, @instructor, 'instructor', grade: 2, reason: 'Second look')
    assert_equal 2 * count, Fujin::GradeRow.count
  end

  def test_the_same_grade_sent_twice_is_one
    attempt = imported(@sortie).first
    as(@student)
    body = { grades: [{ id: SecureRandom.uuid, phase: 'entry', kind: 'self', grade: 2 }] }
    2.times { post_json "/api/attempts/#{attempt.id}/grades", body }

    assert_equal 1, Fujin::GradeRow.count
  end

  def test_nobody_grades_in_anothers_name
    attempt = imported(@sortie).first
    as(@instructor)
    post_json "/api/attempts/#{attempt.id}/grades",
              { grades: [{ id: SecureRandom.uuid, phase: 'entry', kind: 'self', grade: 4 }] }
    assert_equal 403, status
    as(@student)
    post_json "/api/attempts/#{attempt.id}/grades",
              { grades: [{ id: SecureRandom.uuid, phase: 'entry', kind: 'instructor', grade: 4 }] }
    assert_equal 403, status
  end

  def test_help_that_was_tapped_lowers_the_proposal
    attempt = imported(@sortie).first
    events = [
      {
        id: SecureRandom.uuid,
        kind: 'help',
        at: '2026-11-25T10:20:00Z',
        attempt_no: 1,
        phase: 'glide',
        payload: {
          value: 'taken_over'
        }
      }
    ]
    post_json "/api/sorties/#{@sortie.id}/events", { events: events }
    get "/api/sorties/#{@sortie.id}/attempts"
    glide = answer.find { |a| a['id'] == attempt.id }['phases'].find { |p| p['id'] == 'glide' }

    assert_equal [0, 'taken_over'], glide.values_at('proposed', 'driver')
  end

  def test_an_attempt_can_be_left_out_of_the_count_only_with_a_reason
    attempt = imported(@sortie).first
    as(@instructor)
    put_json "/api/attempts/#{attempt.id}/void", { counts: false }
    assert_equal 422, status
    put_json "/api/attempts/#{attempt.id}/void", { counts: false, reason: 'Traffic call in the flare' }

    refute answer['counts']
  end

  def test_a_limit_passed_puts_the_aircraft_on_the_list_until_the_chief_clears_it
    imported(@sortie, faults: [{ 'late_collective' => 2.5 }])
    assert @aircraft.reload.look_at_it

    as(@instructor)
    post_json "/api/aircraft/#{@aircraft.id}/clearance", { note: 'fine' }
    assert_equal 403, status
    as(@chief)
    post_json "/api/aircraft/#{@aircraft.id}/clearance", { note: 'Blades and hub looked at' }
    refute @aircraft.reload.look_at_it
  end
end
