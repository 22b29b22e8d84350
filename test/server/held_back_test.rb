# frozen_string_literal: true

require_relative '../server_helper'

# Before their own word a learner sees no grade, level, critical mark, share of a band or ledger of an attempt, by any
# route; after it they see all of it, and what they said stays.
class HeldBackTest < Minitest::Test
  include ServerHelp

  # What no answer to a learner may hold before.
  WHY = 'a reason that is nobody else\'s'

  def setup
    super
    @attempt, = imported(@sortie, faults: [{ 'late_collective' => 1.5 }])
    tap_grade
    grade_all(@attempt, @instructor, 'instructor', grade: 1, reason: WHY)
  end

  def tap_grade
    as(@instructor)
    post_json "/api/sorties/#{@sortie.id}/events",
              { events: [{ id: SecureRandom.uuid, kind: 'attempt', at: '2026-11-25T10:01:00Z', attempt_no: 1 },
                         { id: SecureRandom.uuid, kind: 'grade', at: '2026-11-25T10:02:00Z', attempt_no: 1,
                           payload: { grade: 1 } }] }
  end

  def grade_self
    phases = @attempt.proposed_phases.map { |id| { id: SecureRandom.uuid, phase: id, kind: 'self', grade: 3 } }
    as(@student)
    post_json "/api/attempts/#{@attempt.id}/grades", { grades: phases }
  end

  def read(path)
    get path

    assert_equal 200, status, path
    answer
  end

  # Everything of the API's reads that a learner may ask of this lesson and of themselves.
  def all_of_it
    %W[/api/sorties/#{@sortie.id} /api/sorties/#{@sortie.id}/attempts /api/sorties/#{@sortie.id}/events /api/today
       /api/sorties/#{@sortie.id}/attempts?with=measures /api/attempts/#{@attempt.id}
       /api/attempts/#{@attempt.id}/strips /api/attempts/#{@attempt.id}/pictures /api/attempts/#{@attempt.id}/path
       /api/recordings/#{@attempt.recording_id} /api/recordings/#{@attempt.recording_id}/series
       /api/students/#{@student.id} /api/students/#{@student.id}/lessons /api/students/#{@student.id}/solo
       /api/me /api/me/export
       /api/students/#{@student.id}/side-by-side?manoeuvre=straight_in_autorotation
       /api/people/#{@student.id} /api/people/#{@student.id}/log].to_h { |path| [path, read(path)] }
  end

  def test_before_their_own_grade_a_student_sees_nothing_of_it
    as(@student)
    seen = all_of_it
    leaks = seen.select { |_, told| JSON.generate(told).include?(WHY) }

    assert_empty leaks.keys
    assert_nothing_of_lists(seen)
    assert_nothing_of_pictures(seen)
    get "/api/attempts/#{@attempt.id}/one-change"

    assert_equal 409, status
  end

  def assert_nothing_of_lists(seen)
    list = "/api/sorties/#{@sortie.id}/attempts"
    [seen[list].first, seen["#{list}?with=measures"].first, seen["/api/attempts/#{@attempt.id}"]].each do |view|
      assert_empty view.keys & %w[measures fault_details first_fault overall critical faults]
      assert_empty(view['phases'].flat_map { |phase| phase.values_at('proposed', 'cockpit_grade', 'because').compact })
      refute_includes view['taps'].map { |tap| tap['kind'] }, 'grade'
    end
    refute_includes seen["/api/sorties/#{@sortie.id}/events"].map { |tap| tap['kind'] }, 'grade'
    record = seen["/api/students/#{@student.id}"]

    assert_empty seen["/api/students/#{@student.id}/lessons"]['history']
    assert_empty record['reactions']
    assert_empty record['standings']
  end

  def assert_nothing_of_pictures(seen)
    pictures = seen["/api/attempts/#{@attempt.id}/pictures"]

    assert_equal [[], [], []], [pictures['ledger'], pictures['charts'], pictures['landings']['points']]
    bands = seen["/api/attempts/#{@attempt.id}/strips"]['strips'].flat_map { |strip| strip['bands'] }

    refute_empty bands, 'the standard itself is no secret'
    assert_equal([nil], bands.map { |band| band['in_band_pct'] }.uniq)
  end

  def test_after_it_they_see_all_of_it
    grade_self
    seen = all_of_it

    assert_includes JSON.generate(seen["/api/sorties/#{@sortie.id}/attempts"]), WHY
    assert_equal([1], seen["/api/students/#{@student.id}/lessons"]['history'].map { |one| one['level'] })
    refute_empty seen["/api/attempts/#{@attempt.id}/pictures"]['ledger']
    assert_includes seen["/api/sorties/#{@sortie.id}/events"].map { |tap| tap['kind'] }, 'grade'
  end

  # Seen, the own grade is no own grade any more.
  def test_what_they_said_first_stays
    grade_self
    grade_self

    assert_equal [409, true], [status, answer['detail'].include?('what was said first stays')]
    assert_equal @attempt.proposed_phases.size, @attempt.grades.where(kind: 'self').count
  end

  # Staff see it meanwhile, and a sign-off rests on it.
  def test_staff_see_it_whatever_the_student_has_said
    as(@chief)

    assert_equal([1], read("/api/students/#{@student.id}/lessons")['history'].map { |one| one['level'] })
    assert_empty Fujin::KeptProgress.differing([@student])
    grade_self

    assert_empty Fujin::KeptProgress.differing([@student]), 'kept as worked out afresh after it, too'
  end

  # A candidate names the fault first; what is kept of the lesson follows.
  def test_a_candidate_sees_no_grade_of_the_teaching_before_the_fault_is_named
    candidate = person('candidate', 'instructor_candidate', stage: 'instructor')
    taught = sortie(student: candidate)
    flown, = imported(taught, faults: [{ 'late_collective' => 1.5 }])
    as(@instructor)
    post_json "/api/attempts/#{flown.id}/grades",
              { grades: [{ id: SecureRandom.uuid, phase: 'spotted', kind: 'teaching', grade: 1, reason: WHY }] }

    assert_equal 200, status
    as(candidate)
    view = read("/api/sorties/#{taught.id}/attempts").find { |one| one['id'] == flown.id }

    assert_equal([nil], view['teaching']['items'].map { |item| item['grade'] }.uniq)
    refute_includes JSON.generate(view), WHY
    post_json "/api/attempts/#{flown.id}/fault-calls", { id: SecureRandom.uuid, kind: 'named', fault: nil }

    assert_includes(answer['teaching']['items'].map { |item| item['grade'] }, 1)
    assert_empty Fujin::KeptProgress.differing([candidate])
  end
end
