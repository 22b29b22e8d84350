# frozen_string_literal: true

require_relative 'test_helper'

# The sign-off rule of docs/reference/standards.md.
class ReadinessTest < Minitest::Test
  def attempt(day, level = 3, **fields)
    Fujin::Progress::GradedAttempt.new(
      manoeuvre: 'straight_in_autorotation',
      flown_at: day + fields.delete(:at).to_f,
      on_day: Date.new(2026, 11, day),
      grades: {
        'entry' => level,
        'glide' => 4
      },
      help: 'alone',
      counts: true,
      critical: false,
      **fields
    )
  end

  def ready(*attempts, rule: {}) = Fujin::Progress::Readiness.new(attempts, rule)
  def missing(*attempts, **options) = ready(*attempts, **options).missing.map(&:id)

  def test_three_to_standard_on_two_days_alone
    assert_predicate ready(attempt(1), attempt(2), attempt(2, at: 0.1)), :ready?
  end

  def test_what_is_missing_is_named
    assert_equal %w[enough_attempts different_days], missing(attempt(1), attempt(1, at: 0.1))
    assert_equal ['to_standard'], missing(attempt(1), attempt(2, 2), attempt(3))
    assert_equal ['unassisted'], missing(attempt(1), attempt(2, help: 'prompted'), attempt(3))
    assert_equal ['different_days'], missing(attempt(1, at: 0.1), attempt(1, at: 0.2), attempt(1, at: 0.3))
    assert_equal %w[enough_attempts to_standard unassisted different_days], missing
  end

  # Where nothing was flown yet, each says what is wanted.
  def test_what_is_wanted_is_said_before_the_first_attempt
    texts = ready.conditions.map(&:text)

    assert_equal texts.uniq, texts
    assert_includes texts, 'flown without help: no counted attempt yet'
    assert_includes texts, 'no critical measure out of limits so far'
  end

  # Three run-on landings of which only the approach was judged claim nothing about touchdown and slide.
  def test_a_phase_that_nobody_graded_is_not_to_standard
    partly = [1, 2, 3].map { |day| attempt(day).with(grades: { 'descent' => 4, 'touchdown' => nil, 'slide' => nil }) }

    assert_equal ['to_standard'], missing(*partly)
    assert_includes ready(*partly).missing.first.text, 'not graded: touchdown, slide'
    assert_equal 4, partly.first.level
  end

  def test_only_the_last_three_count_for_the_standard
    assert_predicate ready(attempt(1, 1), attempt(2), attempt(3), attempt(4)), :ready?
  end

  def test_a_critical_measure_in_the_last_five_holds_it_back
    assert_equal ['no_critical'], missing(attempt(1, critical: true), attempt(2), attempt(3), attempt(4), attempt(5))
    assert_predicate ready(attempt(1, critical: true), attempt(2), attempt(3), attempt(4), attempt(5), attempt(6)),
                     :ready?
  end

  def test_voided_ungraded_and_trainer_attempts_do_not_count
    assert_includes missing(attempt(1), attempt(2), attempt(3, counts: false)), 'enough_attempts'
    assert_includes missing(attempt(1), attempt(2), attempt(3, trainer: true)), 'enough_attempts'
    assert_includes missing(attempt(1), attempt(2), attempt(3).with(grades: {})), 'enough_attempts'
  end

  def test_the_school_can_ask_for_more
    assert_includes missing(attempt(1), attempt(2), attempt(3), rule: { attempts: 5 }), 'enough_attempts'
  end

  def test_standing
    standing = Fujin::Progress::Standing.new([attempt(1, 1), attempt(2, 2), attempt(3, 3)])

    assert_equal 3, standing.level
    assert_equal 'rising', standing.trend
    assert_equal 'entry', standing.weakest_phase
    assert_equal 'falling', Fujin::Progress::Standing.new([attempt(1, 4), attempt(2, 3), attempt(3, 2)]).trend
    assert_nil Fujin::Progress::Standing.new([attempt(1)]).trend
  end
end
