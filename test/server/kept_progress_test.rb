# frozen_string_literal: true

require_relative '../server_helper'

# What is kept of a student's progress is at any time what working it out afresh gives, however it was changed.
class KeptProgressTest < Minitest::Test
  include ServerHelp

  ROUNDS = 4
  UNMARKED = %i[change_student_stage change_rule change_clock].freeze

  def setup
    super
    imported(@sortie, faults: [{}, { 'late_collective' => 0.8 }])
    @tapped = sortie(starts_at: Time.utc(2026, 11, 26, 10), manoeuvre: 'hovering_autorotation')
    @theirs = sortie(student: @other, starts_at: Time.utc(2026, 11, 24, 10))
    @random = Random.new(20_261_128)
  end

  def test_random_histories_are_kept_as_they_are_worked_out
    changes = private_methods(false).grep(/\Achange_/).sort
    Array.new(ROUNDS) { changes.shuffle(random: @random) }.flatten.each do |change|
      send(change)

      assert_operator Fujin::ProgressMark.count, :>, 0, change unless UNMARKED.include?(change)
      agree(change)
    end
  end

  # A read finds nothing to do after a read.
  def test_what_was_worked_out_is_kept
    read = -> { Fujin::KeptProgress.standings([@student]).fetch(@student.id).standings }
    first = read.call

    assert_equal 0, Fujin::ProgressMark.where(student_id: @student.id).count
    written = -> { Fujin::LessonRecord.order(:sortie_id).pluck('xmin::text', :sortie_id) }
    before = written.call

    assert_equal first, read.call
    assert_equal before, written.call
  end

  # A change marks its lesson once, and both students' where it goes from one to the other.
  def test_a_change_is_one_mark
    Fujin::KeptProgress.freshen([@student, @other])
    marks = -> { Fujin::ProgressMark.order(:id).pluck(:student_id) }
    change_first_tries

    assert_equal [@student.id], marks.call
    Fujin::ProgressMark.delete_all
    @sortie.reload.update!(student: @other)

    assert_equal [@student.id, @other.id].sort, marks.call.sort
  end

  # A change that was not committed changes nothing; one that was is seen by the next who reads, once.
  def test_what_is_taken_back_is_not_seen
    level = -> { Fujin::KeptProgress.standings([@student]).fetch(@student.id).standings.map { |one| one['level'] } }
    before = level.call
    Fujin::Record.transaction do
      change_grade_all
      raise ActiveRecord::Rollback
    end

    assert_equal before, level.call
    change_grade_all

    refute_equal before, level.call
  end

  # Readers at once work it out one after the other, and nothing of what is written meanwhile is lost.
  def test_readers_and_writers_at_once
    writers = [1, 2].map { |no| at_once { |i| tap('help', no, { 'value' => %w[prompted alone][i % 2] }) } }
    readers = Array.new(2) { at_once { Fujin::KeptProgress.attempts(@student) } }
    [*writers, *readers].each(&:join)

    agree('threads')
  end

  # The command works it out afresh, and says what was otherwise: nothing, unless somebody wrote by hand what is kept.
  def test_recount
    Fujin::KeptProgress.freshen([@student])
    Fujin::KeptStanding.where(student_id: @student.id).update_all("standings = '[]'")
    Fujin::LessonRecord.where(sortie_id: @sortie.id).update_all("attempts = '[]'")
    out = StringIO.new

    assert_equal([@student.id], Fujin::KeptProgress.differing([@student, @other]))
    assert_equal 1, Fujin::Recount.new(out).run
    assert_includes out.string, 'Student: was not what its lessons say, and was worked out again'
    assert_equal 0, Fujin::Recount.new(out).run
    agree('recount')
  end

  private

  def at_once(&) = Thread.new { 8.times { |i| Fujin::Record.connection_pool.with_connection { yield(i) } } }

  def agree(change)
    assert_empty Fujin::KeptProgress.differing([@student.reload, @other.reload]), change
  end

  def other(row, field, choices) = row.update!(field => some(choices - [row.public_send(field)]))
  def exercise = @sortie.reload.exercises.first
  def some(rows) = rows.to_a[@random.rand(rows.size)]
  def attempt = some(Fujin::AttemptRow.order(:position))

  def grade(row, phase, level)
    Fujin::GradeRow.create!(id: SecureRandom.uuid, attempt: row, phase: phase, kind: 'instructor', grade: level,
                            by: @instructor, standard_version: 'tried', created_at: Time.now.utc)
  end

  def tap(kind, number, payload, of: @sortie)
    Fujin::FlyEvent.create!(id: SecureRandom.uuid, sortie: of, kind: kind, at: of.starts_at, attempt_no: number,
                            payload: payload, by: @instructor)
  end

  def change_grade_one = attempt.then { |row| grade(row, some(row.proposed_phases), @random.rand(5)) }

  def change_grade_all
    Fujin::AttemptRow.all.to_a.each { |row| row.proposed_phases.each { |phase| grade(row, phase, 1 + @random.rand(4)) } }
  end

  def change_tap_help = tap('help', 1 + @random.rand(2), { 'value' => some(Fujin::HelpTaps::ORDER) })
  def change_tap_attempt = tap('attempt', 1 + @random.rand(3), {}, of: @tapped)
  def change_who_has_what = tap('control', 1, { 'value' => some(%w[following one two]) })

  def change_undo
    change_tap_help if Fujin::FlyEvent.none?
    target = some(Fujin::FlyEvent.order(:position).where.not(kind: 'undo'))
    tap('undo', target.attempt_no, { 'target' => target.id }, of: target.sortie)
  end

  def change_what_counts = attempt.then { |row| row.update!(counts: !row.counts) }
  def change_manner = other(attempt, :manner, %w[announced surprise demonstration])
  def change_task = other(attempt, :task, %w[whole cyclic collective])
  def change_first_tries = exercise.then { |row| row.update!(first_tries: !row.first_tries) }
  def change_not_judged = other(exercise, :not_judged, [[], %w[miss_along_ft]])
  def change_not_asked = other(attempt, :exercise_id, [nil, exercise.id])
  def change_lesson_stage = other(@sortie.reload, :stage, %w[early solo test])
  def change_lesson_day = other(@sortie.reload, :starts_at, (1..25).map { |day| Time.utc(2026, 11, day, 10) })
  def change_whose_lesson = other(@sortie.reload, :student, [@student, @other])
  def change_go = other(@theirs, :go_decision, [nil, 'go', 'no_go'])

  # By the school's rules and the student's stage, not by any lesson: nothing is marked.
  def change_student_stage = other(@student, :stage, %w[early solo test])
  def change_rule = @school.reload.set_readiness(nil, { 'attempts' => 1 + @random.rand(3), 'days' => 1 })

  def change_clock = other(@school.reload, :time_zone, %w[Etc/UTC Pacific/Auckland America/Lima])

  def change_by_hand
    Fujin::Record.connection.execute(
      "UPDATE attempts SET proposal = jsonb_set(proposal, '{critical}', '#{@random.rand < 0.5}')"
    )
  end
end
