# frozen_string_literal: true

require_relative 'test_helper'

# The search for a root against closed forms, and against halving.
class RootsTest < Minitest::Test
  R = Fujin::Roots

  # 1/x² falls from 2,500 to next to nothing: every step of a plain regula falsi ends beside the flat end.
  def test_a_function_that_is_far_steeper_at_one_end
    [5.0, 40.0, 90.0, 119.0].each do |root|
      (1..6).each do |power|
        found = R.find(0.02, 120.0, tolerance: 0.001) { |x| (x**-power) - (root**-power) }

        assert_in_delta root, found, 0.001, "1/x^#{power} at #{root}"
        mirrored = R.find(-120.0, -0.02, tolerance: 0.001) { |x| ((-x)**-power) - (root**-power) }

        assert_in_delta(-root, mirrored, 0.001)
      end
    end
  end

  def test_the_same_as_by_halving
    random = Random.new(4)
    200.times do
      a = random.rand(0.1..60.0)
      b = random.rand(-30.0..30.0)
      c = random.rand(0.2..3.0)
      function = ->(x) { Math.exp(c * (x - b) / a) - 2.0 - ((x - b) / 50.0) }
      low = b - a
      high = b + (3 * a / c)
      next if function.call(low).positive? == function.call(high).positive?

      assert_in_delta halved(low, high, &function), R.find(low, high, tolerance: 1e-4, &function), 1e-4
    end
  end

  def halved(low, high)
    60.times do
      middle = (low + high) / 2.0
      yield(middle).positive? == yield(low).positive? ? low = middle : high = middle
    end
    low
  end

  def test_a_root_at_a_bound_and_none
    assert_in_delta 2.0, R.find(2.0, 5.0) { |x| x - 2.0 }, 1e-12
    assert_in_delta 5.0, R.find(2.0, 5.0) { |x| x - 5.0 }, 1e-12
    error = assert_raises(Fujin::OutsideModel) { R.find(2.0, 5.0, what: 'trim') { |x| x + 1.0 } }

    assert_match(/no trim/, error.message)
  end

  # What is no number in between, and what would have to be nearer than numbers are to each other.
  def test_a_search_that_does_not_end_is_refused
    hole = ->(x) { { 0.0 => -1.0, 1.0 => 1.0 }.fetch(x, Float::NAN) }
    [[1e-6, hole], [1e-30, ->(x) { (x**2) - 0.3 }]].each do |tolerance, function|
      error =
        assert_raises(Fujin::OutsideModel) { R.find(0.0, 1.0, tolerance: tolerance, what: 'trim', &function) }

      assert_match(/trim is not found to within/, error.message)
    end
  end

  def test_the_bottom_of_a_valley
    at, value = R.minimum(0.0, 10.0) { |x| ((x - 3.2)**2) + 7.0 }

    assert_in_delta 3.2, at, 0.001
    assert_in_delta 7.0, value, 1e-5
  end
end
