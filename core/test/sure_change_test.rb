# frozen_string_literal: true

require_relative 'test_helper'

# Which number may be told of a change: the fit has it as flown, and it moves by more than can be told from noise.
class SureChangeTest < Minitest::Test
  # Flown at 100, known to ten either way.
  FLOWN = Fujin::Grading::Measure.new(id: 'miss_along_ft', phase: 'recovery', value: 100.0, unit: 'ft', low: 90.0,
                                      high: 110.0)

  def told?(fitted, mended, flown = FLOWN) =
    %i[moved? as_flown?].all? { |rule| Fujin::Grading::SureChange.public_send(rule, flown, fitted, mended) }

  def test_it_moves_by_more_than_its_uncertainty_either_way
    assert told?(100.0, 110.1)
    assert told?(100.0, 89.9)
    refute told?(100.0, 109.9)
    refute told?(100.0, 90.1)
  end

  # A change of 20 allows two and a half of an eighth, less than its ten; one of 160 allows twenty.
  def test_the_fit_has_it_as_flown_within_its_uncertainty_or_an_eighth_of_the_change
    assert told?(109.9, 89.9)
    refute told?(110.1, 90.1)
    assert told?(119.9, -40.1)
    refute told?(120.1, -39.9)
  end

  def test_what_was_not_recorded_or_not_flown_again_is_not_told
    refute told?(100.0, 200.0, nil)
    refute told?(100.0, 200.0, FLOWN.with(value: nil))
    refute told?(nil, 200.0)
    refute told?(100.0, nil)
  end

  def test_a_number_without_a_printed_range_is_told_by_the_eighth_alone
    exact = FLOWN.with(low: nil, high: nil)

    assert told?(101.2, 111.2, exact)
    refute told?(101.3, 111.3, exact)
    assert_in_delta 2.5, Fujin::Grading::SureChange.room(exact, -10.0)
    assert_in_delta 10.0, Fujin::Grading::SureChange.room(FLOWN, -10.0)
    assert_in_delta 25.0, Fujin::Grading::SureChange.room(nil, 100.0)
  end
end
