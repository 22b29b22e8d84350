# frozen_string_literal: true

require_relative 'test_helper'

# The closed forms against the same pilot's answer summed in small steps.
class LineClosingTest < Minitest::Test
  C = Fujin::Manoeuvres::Autorotation::LineClosing
  STEP_S = 0.0005

  # ÿ = -g·(0.012·y + 0.05·ẏ) from y₀ at rest.
  # @return [Array(Float, Float)] what is left of it, m, and what of the way it took at a speed, m
  def summed(beside_m, seconds, speed)
    y = beside_m
    v = cost = 0.0
    (seconds / STEP_S).round.times do
      v -= 9.80665 * ((0.012 * y) + (0.05 * v)) * STEP_S
      y += v * STEP_S
      cost += 0.5 * v * v / speed * STEP_S
    end
    [y, cost]
  end

  def test_what_is_left_and_what_it_costs_are_the_sums
    [[80.0, 3.0, 28.0], [-80.0, 8.0, 28.0], [40.0, 20.0, 35.0], [10.0, 0.5, 20.0]].each do |beside, seconds, speed|
      left, cost = summed(beside, seconds, speed)

      assert_in_delta left, beside * C.left_after(seconds), 0.02
      assert_in_delta cost, C.cost_m(beside, seconds, speed), 0.005 + (0.002 * cost)
    end
    assert_in_delta 1.0, C.left_after(0.0)
    assert_in_delta 0.0, C.cost_m(80.0, 0.0, 28.0)
  end

  # 36 m of 100, either way.
  def test_no_more_is_closed_than_the_steepest_cut_can
    assert_in_delta 36.4, C.closable_m(50.0, 100.0), 0.01
    assert_in_delta(-36.4, C.closable_m(-50.0, 100.0), 0.01)
    assert_in_delta 30.0, C.closable_m(30.0, 100.0)
    assert_in_delta 0.0, C.closable_m(30.0, 0.0)
  end
end
