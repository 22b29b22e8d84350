# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'found_help'

# A gyroplane in a recording: take-offs, landings, slow flight, the vertical descent.
class FindingGyroplaneTest < Minitest::Test
  include FoundHelp

  def gyro(flight)
    day = conditions('sorrel-g', wind: Fujin::Wind.parse('350/8'))
    grade_csv(flight.csv, day: day).proposals
  end

  # Prerotation, roll, balance, climb; circuit height; slow flight; a balked landing; a landing.
  def test_a_gyroplanes_flight
    flown =
      flight(wind_kt: 8.0)
        .leg(2, nr_pct: 0.0)
        .leg(3)
        .mark(:spins)
        .leg(20, nr_pct: 62.0)
        .mark(:rolls)
        .leg(9, gs_kt: 30.0, nr_pct: 90.0)
        .mark(:balance)
        .leg(4, gs_kt: 38.0, nr_pct: 100.0, pitch_deg: 9.0)
        .mark(:off)
        .leg(12, gs_kt: 50.0, agl_ft: 70.0, pitch_deg: 4.0)
    flown
      .leg(60, gs_kt: 55.0, agl_ft: 600.0)
      .leg(20)
      .leg(10, gs_kt: 18.0)
      .mark(:slow)
      .leg(20)
      .mark(:fast)
      .leg(12, gs_kt: 52.0)
      .leg(10)
    flown
      .mark(:down)
      .leg(50, agl_ft: 30.0, gs_kt: 45.0, pitch_deg: 0.0)
      .mark(:balked)
      .leg(3, agl_ft: 26.0)
      .leg(40, agl_ft: 500.0, gs_kt: 52.0)
      .leg(10)
    flown
      .mark(:glide)
      .leg(45, agl_ft: 25.0, gs_kt: 45.0)
      .mark(:flare)
      .leg(4, agl_ft: 0.0, gs_kt: 20.0, pitch_deg: 9.0)
      .mark(:touch)
      .leg(10, gs_kt: 0.0, pitch_deg: 0.0)
      .leg(6)
    found = gyro(flown)
    take_off, landing = %w[gyro_take_off gyro_landing].map { |kind| the(found, kind) }

    assert_equal(
      { 'gyro_take_off' => 1, 'gyro_slow_flight' => 1, 'gyro_balked_landing' => 1, 'gyro_landing' => 1 },
      kinds(found).tally
    )
    assert_equal %w[prerotation roll balance climb], take_off.attempt.phase_ids
    { 'prerotation' => :spins, 'roll' => :rolls, 'balance' => :balance, 'climb' => :off }.each do |phase, mark|
      assert_in_delta flown.marks[mark], at(take_off, phase), 1.6, phase
    end
    assert_in_delta 46.0, take_off.measures['lift_off_ias_kt'].value, 3.0
    assert_in_delta 74, take_off.measures['roll_rotor_rpm_min_pct'].value, 6
    assert_operator take_off.measures['flap_max_deg'].value, :>, 1.0
    assert_in_delta flown.marks[:flare], at(landing, 'flare'), 1.0
    assert_in_delta flown.marks[:touch], at(landing, 'touchdown'), 0.6
    assert_in_delta flown.marks[:slow] - 2.4,
                    at(the(found, 'gyro_slow_flight'), 'level'),
                    1.0,
                    'under 35 kt through the air'
  end

  # On the ground with the rotor prerotated, ready to roll.
  def prerotated = flight(wind_kt: 8.0).leg(2, nr_pct: 0.0).leg(3).leg(20, nr_pct: 62.0)

  def test_a_gyroplane_s_lift_off_is_where_it_left_the_ground
    flown = prerotated.leg(13, gs_kt: 38.0, nr_pct: 100.0).mark(:off).leg(20, gs_kt: 52.0, agl_ft: 60.0).leg(10)
    take_off = the(gyro(flown), 'gyro_take_off')

    assert_in_delta flown.marks[:off], take_off.attempt.event(:lift_off_s), 0.25
    assert_in_delta 46.0, take_off.measures['lift_off_ias_kt'].value, 1.5
  end

  def test_a_touch_and_go_is_a_landing_and_a_take_off_without_prerotation
    flown =
      flight(wind_kt: 8.0, agl_ft: 500.0)
        .leg(10, gs_kt: 52.0, nr_pct: 100.0).mark(:closed).leg(1, throttle_pct: 2.0)
        .leg(3).leg(45, agl_ft: 25.0, gs_kt: 45.0)
        .leg(4, agl_ft: 0.0, gs_kt: 20.0, pitch_deg: 9.0).mark(:touch)
        .leg(3, gs_kt: 12.0, pitch_deg: 0.0).mark(:rolls).leg(6, gs_kt: 38.0, throttle_pct: 90.0).mark(:off)
        .leg(20, gs_kt: 52.0, agl_ft: 90.0).leg(8)
    found = gyro(flown)
    landing, take_off = %w[gyro_landing gyro_take_off].map { |kind| the(found, kind) }

    assert_in_delta flown.marks[:closed], at(landing, 'glide'), 1.0, 'from where the power was taken off'
    assert_in_delta flown.marks[:off], landing.attempt.end_s, 1.2
    assert_equal %w[roll climb], take_off.attempt.phase_ids
    assert_in_delta flown.marks[:rolls], at(take_off, 'roll'), 0.6
    assert_in_delta flown.marks[:off], at(take_off, 'climb'), 0.3
  end

  # Up to 8 ft and down again: judged to the lift-off; a climb would be up to 40 s on the ground.
  def test_a_hop_is_a_take_off_without_a_climb
    flown = prerotated.leg(13, gs_kt: 38.0, nr_pct: 100.0).mark(:off).leg(3, agl_ft: 8.0).leg(3)
      .leg(3, agl_ft: 0.0).mark(:down).leg(12, gs_kt: 0.0).leg(20)
    hop = the(gyro(flown), 'gyro_take_off')

    assert_equal %w[prerotation roll], hop.attempt.phase_ids
    assert_in_delta flown.marks[:down], hop.attempt.end_s, 1.0
    refute_includes hop.measures.keys, 'ias_at_50_ft_kt'
    assert_in_delta 46.0, hop.measures['lift_off_ias_kt'].value, 1.5
  end

  # Past 20 ft it was gone: a take-off with its climb, set down again or not.
  def test_what_climbed_past_twenty_feet_is_no_hop
    set_down = ->(feet) do
      flown = prerotated.leg(13, gs_kt: 38.0, nr_pct: 100.0).leg(4, agl_ft: feet).leg(6).leg(4, agl_ft: 0.0)
      the(gyro(flown.leg(12, gs_kt: 0.0).leg(20)), 'gyro_take_off').attempt.phase_ids.last
    end

    assert_equal %w[roll climb], [set_down.call(18.0), set_down.call(23.0)]
  end

  def test_a_roll_that_was_given_up
    flown = prerotated.mark(:rolls).leg(8, gs_kt: 30.0, nr_pct: 80.0).mark(:closed).leg(10, gs_kt: 0.0).leg(6)
    given_up = the(gyro(flown), 'gyro_take_off')

    assert_equal [:abandoned, %w[prerotation roll]], [given_up.attempt.result, given_up.attempt.phase_ids]
    assert_in_delta flown.marks[:closed], given_up.attempt.event(:abandoned_s), 0.5
    refute_includes given_up.measures.keys, 'lift_off_ias_kt'
  end

  def test_taxiing_with_the_rotor_still_is_no_roll
    taxied = flight(wind_kt: 0.0).leg(3, nr_pct: 0.0).leg(8, gs_kt: 14.0).leg(8, gs_kt: 0.0).leg(5)

    assert_empty gyro(taxied)
  end

  def test_a_gyroplanes_vertical_descent_and_its_recovery
    flown =
      flight(wind_kt: 0.0, agl_ft: 1500.0)
        .leg(3, gs_kt: 50.0)
        .leg(10)
        .leg(8, gs_kt: 3.0)
        .mark(:sinks)
        .leg(20, agl_ft: 1100.0)
        .mark(:recovers)
        .leg(8, gs_kt: 50.0, agl_ft: 900.0)
        .leg(10)
    found = the(gyro(flown), 'gyro_vertical_descent')

    assert_in_delta flown.marks[:sinks], at(found, 'descent'), 1.5
    assert_in_delta flown.marks[:recovers] + 1.2, at(found, 'recovery'), 1.5
  end
end
