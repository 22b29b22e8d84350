# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'scripted_flight'

# The rules behind faults of what no pilot model flies, on scripted flights: each named where its evidence is, and only
# there.
class FaultRulesTest < Minitest::Test
  def flight(**options) = ScriptedFlight.new(**options)

  def graded(flight, day: conditions(wind: Fujin::Wind.parse('350/8')), **about) =
    grade_csv(flight.csv, day: day, house: Fujin::Planning::HouseMethod.new, **about).proposals

  def faults(proposals, kind) = proposals.select { |p| p.attempt.manoeuvre == kind }.flat_map { |p| p.faults.map(&:id) }
  def hovering(flight) = flight.leg(5).leg(3, agl_ft: 4.0).leg(14)

  def test_a_steady_hover_has_none
    assert_empty faults(graded(hovering(flight).leg(30)), 'hover')
  end

  def test_hands_that_chase_the_aircraft
    chased = hovering(flight)
    30.times { chased.leg(1, collective_pct: 51.0).leg(1, collective_pct: 42.0) }

    assert_includes faults(graded(chased.leg(6, collective_pct: 45.0)), 'hover'), 'over_controlled'
  end

  def test_a_hover_that_wandered_off
    assert_includes faults(graded(hovering(flight).leg(20, gs_kt: 2.4).leg(10)), 'hover'), 'drifted_off_track'
  end

  def test_a_pedal_turn_let_go
    slow = hovering(flight).leg(12, turn_deg_s: 15.0).leg(12)
    fast = hovering(flight).leg(4, turn_deg_s: 45.0).leg(12)

    refute_includes faults(graded(slow), 'hover_turn'), 'yaw_uncorrected'
    assert_includes faults(graded(fast), 'hover_turn'), 'yaw_uncorrected'
  end

  def take_off(**state) =
    hovering(flight)
      .leg(12, gs_kt: 25.0, agl_ft: 10.0, **state)
      .leg(14, gs_kt: 58.0, agl_ft: 90.0)
      .leg(20, agl_ft: 300.0)

  def test_a_take_off_that_took_more_than_hover_power
    asked = { exercise: 'hover_power_take_off' }

    refute_includes faults(graded(take_off, **asked), 'hover_power_take_off'), 'power_cap_broken'
    assert_includes faults(graded(take_off(map_inhg: 24.0), **asked), 'hover_power_take_off'), 'power_cap_broken'
    # An ordinary take-off was asked for no such thing.
    refute_includes faults(graded(take_off(map_inhg: 24.0)), 'hover_power_take_off'), 'power_cap_broken'
  end

  # Over the engine's limit for long enough to be a fact: critical in any manoeuvre.
  def test_power_over_the_limit_is_a_limit_passed
    assert_includes faults(graded(take_off(map_inhg: 27.5)), 'hover_power_take_off'), 'exceeded_limit'
  end

  def low_rotor(waits_s:, first: {})
    take_off
      .leg(30, gs_kt: 60.0, agl_ft: 500.0)
      .leg(20)
      .leg(1.2, throttle_pct: 50.0, map_inhg: 16.0, nr_pct: 97.0, **first)
      .leg(waits_s, nr_pct: 93.0)
      .leg(1, collective_pct: 25.0, throttle_pct: 80.0)
      .leg(3, nr_pct: 100.0)
      .leg(15)
  end

  def test_low_rotor_rpm_acted_on_late_or_the_wrong_way_first
    assert_includes faults(graded(low_rotor(waits_s: 4.0)), 'low_rotor_rpm_recovery'), 'late_collective'
    refute_includes faults(graded(low_rotor(waits_s: 0.3)), 'low_rotor_rpm_recovery'), 'late_collective'
    assert_includes faults(graded(low_rotor(waits_s: 1.0, first: { collective_pct: 52.0 })), 'low_rotor_rpm_recovery'),
                    'raised_collective'
  end

  GYRO_DAY = ['sorrel-g', '350/8'].freeze

  def gyro(flight) = graded(flight, day: conditions(GYRO_DAY[0], wind: Fujin::Wind.parse(GYRO_DAY[1])))

  # The roll with the rotor as fast as it is given at its start and at lift-off.
  def roll(from_pct, to_pct)
    flight(wind_kt: 8.0)
      .leg(2, nr_pct: 0.0)
      .leg(3)
      .leg(20, nr_pct: from_pct)
      .leg(9, gs_kt: 30.0, nr_pct: (from_pct + to_pct) / 2.0)
      .leg(4, gs_kt: 38.0, nr_pct: to_pct, pitch_deg: 9.0)
      .leg(12, gs_kt: 50.0, agl_ft: 70.0, pitch_deg: 4.0)
      .leg(20, gs_kt: 55.0, agl_ft: 300.0)
  end

  def test_the_traps_of_the_take_off_roll
    assert_empty faults(gyro(roll(66.0, 100.0)), 'gyro_take_off')
    assert_includes faults(gyro(roll(35.0, 60.0)), 'gyro_take_off'), 'slow_rotor_roll'
    assert_includes faults(gyro(roll(66.0, 68.0)), 'gyro_take_off'), 'stick_forward_too_long'
  end

  def landing(gs_kt)
    flight(wind_kt: 8.0, agl_ft: 600.0)
      .leg(2, gs_kt: gs_kt)
      .leg(15)
      .leg(45, agl_ft: 25.0)
      .leg(4, agl_ft: 0.0, gs_kt: 20.0, pitch_deg: 9.0)
      .leg(10, gs_kt: 0.0, pitch_deg: 0.0)
      .leg(6)
  end

  def test_speed_on_a_gyroplanes_approach
    assert_empty faults(gyro(landing(44.0)), 'gyro_landing') & %w[slow_glide fast_glide]
    assert_includes faults(gyro(landing(30.0)), 'gyro_landing'), 'slow_glide'
    assert_includes faults(gyro(landing(60.0)), 'gyro_landing'), 'fast_glide'
  end

  def test_a_vertical_descent_recovered_too_low
    low =
      flight(wind_kt: 0.0, agl_ft: 700.0)
        .leg(3, gs_kt: 50.0)
        .leg(10)
        .leg(8, gs_kt: 3.0)
        .leg(20, agl_ft: 300.0)
        .leg(8, gs_kt: 50.0, agl_ft: 120.0)
        .leg(10)

    assert_includes faults(gyro(low), 'gyro_vertical_descent'), 'late_decision'
  end
end
