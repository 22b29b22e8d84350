# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'
require_relative 'written_taxi'

# A hover taxi on which the nose goes round at a known rate.
class TurnAlongALineTest < Minitest::Test
  include PlanHelp
  include WrittenTaxi

  MANOEUVRE = 'turn_along_a_line'
  # The taxi is one from 3 kt to 3 kt: 1.2 s of the ramps are before and after it.
  TAXI_S = 16.0 + (2 * (RAMP_S - 1.2))

  # The nose turns all the way at one rate; the way stays the line.
  def turning(rate_deg_s, side: -1.0)
    flight(0.0) do |t, ft|
      { 'hdg_deg' => (NOSE_DEG + (side * rate_deg_s * t)) % 360.0 }.merge(block_given? ? yield(t, ft) : {})
    end
  end

  { 'left' => -1.0, 'right' => 1.0 }.each do |way, side|
    define_method("test_a_turn_to_the_#{way}_is_found_and_measured") do
      proposals = found(turning(12.0, side: side))

      assert_equal 1, proposals.size
      turn = proposals.first

      assert_in_delta 12.0 * TAXI_S, value(turn, 'line_turned_deg'), 4.0
      assert_in_delta 12.0, value(turn, 'turn_rate_mean_deg_s'), 0.2
      assert_in_delta 12.0, value(turn, 'turn_rate_max_deg_s'), 0.5
      assert_in_delta 0.0, value(turn, 'taxi_track_off_ft'), 0.3
      assert_in_delta 4.9, value(turn, 'taxi_speed_kt'), 0.15
      assert_empty turn.faults
      assert_empty found(turning(12.0, side: side), 'hover_taxi'), 'the taxi of it is no second attempt'
    end
  end

  # On either side of a quarter of a turn.
  def test_a_taxi_whose_nose_strays_is_no_turn
    strayed, turned = [80.0, 100.0].map { |deg| turning(deg / TAXI_S) }

    assert_equal [0, 1], [found(strayed), found(strayed, 'hover_taxi')].map(&:size)
    assert_equal [1, 0], [found(turned), found(turned, 'hover_taxi')].map(&:size)
  end

  def test_what_it_is_held_to_is_the_exercises
    asked = { exercise: MANOEUVRE, planned: true, course_deg: NOSE_DEG,
              settings: { 'turn_deg' => 180.0, 'taxi_ft' => gone_ft } }
    whole, half = [180.0, 120.0].map { |deg| found(turning(deg / TAXI_S), **asked).first }

    assert_equal 'polished', whole.measures['line_turned_deg'].verdict
    assert_equal 'out', half.measures['line_turned_deg'].verdict
    assert_nil found(turning(12.0)).first.measures['line_turned_deg'].verdict
  end

  # A turn that is let go, and a way that bends: each with its own fault.
  def test_faults
    fast = found(turning(38.0)).first

    assert_equal ['yaw_uncorrected'], fast.faults.map(&:id)
    bent = turning(12.0) do |_t, ft|
      { 'east_ft' => (ft * Math.sin(NOSE_DEG * Q::DEG)) + (14.0 * Math.sin(Math::PI * ft / gone_ft)) }
    end

    assert_equal ['drifted_off_track'], found(bent, course_deg: NOSE_DEG).first.faults.map(&:id)
  end

  # By hand: 300 ft at 5 kt are 35.5 s, so 360° go round at 10.1°/s. Into 10 kt from the north at 5 kt the air is 15 kt;
  # nose 90° to the left, it comes from 90° to the right.
  def test_the_plan_by_hand
    plan = plan(MANOEUVRE, wind: '000/10', course: 0.0)

    assert_in_delta 35.5, plan.value('taxi_time_s'), 0.05
    assert_in_delta 10.1, plan.value('turn_rate_deg_s'), 0.05
    quarter = plan.tables.first.rows[2]

    assert_equal [90.0, 75.0, 270.0], quarter.first(3)
    assert_in_delta 90.0, quarter[3], 0.1
    right = plan(MANOEUVRE, wind: '000/10', course: 0.0, settings: { 'turn_side' => 'right' }).tables.first.rows[2]

    assert_in_delta 270.0, right[3], 0.1
    assert_equal 'tail-rotor sector', right[4]
  end

  def test_faster_than_the_stage_turns_is_said
    ids = ->(feet) { plan(MANOEUVRE, stage: 'solo', wind: '000/4', settings: { 'taxi_ft' => feet }).cautions.map(&:id) }

    # 20°/s is the solo stage's rate: 18 s for all of it, 152 ft at 5 kt.
    assert_includes ids.call(148.0), 'turn_rate'
    refute_includes ids.call(156.0), 'turn_rate'
  end
end
