# frozen_string_literal: true

require_relative 'test_helper'

# The same recordings graded by several instructors.
class AgreementTest < Minitest::Test
  A = Fujin::Progress::Agreement

  def given(attempt, phase, **grades) =
    grades.map { |by, grade| A::Given.new(attempt: attempt, phase: phase, by: by.to_s, grade: grade) }

  def test_what_one_graded_alone_compares_nobody
    alone = A.new(given('a', 'entry', orla: 3) + given('b', 'entry', wim: 1))

    assert_equal [0, [], []], [alone.attempts, alone.phases, alone.differences]
  end

  def test_shares_by_phase_over_pairs
    found =
      A.new(
        given('a', 'entry', orla: 3, wim: 3) + given('b', 'entry', orla: 4, wim: 3) +
          given('c', 'entry', orla: 4, wim: 2) + given('a', 'flare', orla: 2, wim: 2)
      )
    entry, flare = found.phases

    assert_equal 3, found.attempts
    assert_equal ['entry', 3], [entry.phase, entry.pairs]
    assert_in_delta 100.0 / 3.0, entry.same_pct
    assert_in_delta 200.0 / 3.0, entry.within_one_pct
    assert_in_delta 100.0, flare.same_pct
  end

  def test_three_instructors_are_compared_two_by_two_and_each_with_the_others_mean
    found = A.new(given('a', 'glide', orla: 4, wim: 2, tam: 3))

    assert_equal 3, found.phases.first.pairs
    assert_equal({ 'orla' => 1.5, 'tam' => 0.0, 'wim' => -1.5 }, found.differences.to_h { |d| [d.by, d.steps] })
  end

  def test_a_person_is_told_of_only_after_three_attempts
    grades = %w[a b c].flat_map { |id| given(id, 'flare', orla: 4, wim: 3) } + given('a', 'entry', orla: 4, wim: 3)
    told = A.new(grades).differences.select(&:telling?)

    assert_equal([%w[orla flare], %w[wim flare]], told.map { |d| [d.by, d.phase] })
    assert_equal([1.0, -1.0], told.map(&:steps))
  end
end
