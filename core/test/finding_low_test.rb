# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'found_help'

# What is flown low and slowly: hovers, lift-offs, a falling rotor, the throttle closed in the hover.
class FindingLowTest < Minitest::Test
  include FoundHelp

  def test_a_hover_and_a_pedal_turn_in_it
    flown =
      flight.leg(5).leg(3, agl_ft: 5.0).mark(:hover).leg(20).mark(:turn).leg(9, turn_deg_s: 10.0).mark(:turned).leg(20)
    found = graded(flown)
    turn = the(found, 'hover_turn')
    hovers = found.select { |p| p.attempt.manoeuvre == 'hover' }

    assert_in_delta flown.marks[:turn], turn.attempt.start_s, 1.0
    assert_in_delta flown.marks[:turned], turn.attempt.end_s, 1.0
    assert_equal 2, hovers.size
    assert_in_delta 5.0, hovers.first.measures['hover_height_mean_ft'].value, 0.5
    assert_operator hovers.first.measures['hover_drift_max_ft'].value, :<, 4.0
    assert_operator hovers.first.measures['control_reversals_per_min'].value, :<, 4.0
  end

  def test_hands_that_go_back_and_forth_are_counted
    busy = flight.leg(5).leg(3, agl_ft: 5.0)
    20.times { |i| busy.leg(1.5, collective_pct: i.even? ? 50.0 : 40.0) }
    hover = the(graded(busy), 'hover')

    assert_in_delta 40.0, hover.measures['control_reversals_per_min'].value, 8.0
  end

  def test_a_lift_off_and_a_set_down
    flown =
      flight
        .leg(5)
        .mark(:lifts)
        .leg(4, agl_ft: 4.0)
        .mark(:steady)
        .leg(25)
        .mark(:lowers)
        .leg(5, agl_ft: 0.0)
        .mark(:down)
        .leg(6)
    found = graded(flown)
    up, down = found.select { |p| p.attempt.manoeuvre == 'lift_off_and_set_down' }

    assert_equal({ 'lift_off_and_set_down' => 2, 'hover' => 1 }, kinds(found).tally)
    assert_in_delta flown.marks[:lifts], up.attempt.start_s, 1.5
    assert_in_delta flown.marks[:steady], up.attempt.end_s, 1.0
    assert_in_delta flown.marks[:lowers], down.attempt.start_s, 1.5
    assert_in_delta flown.marks[:down], down.attempt.end_s, 1.5
  end

  # Started up on the ground again after a landing: a slow rotor there is no limit passed. A fast one is.
  def test_a_slow_rotor_on_the_ground_passes_no_limit
    slow =
      flight
        .leg(5, nr_pct: 50.0)
        .leg(8, nr_pct: 100.0)
        .leg(0.5, gs_kt: 3.5)
        .leg(12, gs_kt: 25.0, agl_ft: 10.0)
        .leg(14, gs_kt: 52.0, agl_ft: 90.0)
        .leg(20, gs_kt: 60.0, agl_ft: 300.0)
    fast =
      airborne(flight.leg(5))
        .leg(4, nr_pct: 118.0)
        .leg(4, nr_pct: 100.0)
        .leg(8, gs_kt: 55.0, nr_pct: 118.0)
        .approach(9.0, from_kt: 55.0)
        .leg(20, gs_kt: 0.0)

    refute_includes graded(slow).flat_map { |p| p.faults.map(&:id) }, 'exceeded_limit'
    assert_includes graded(fast).flat_map { |p| p.faults.map(&:id) }, 'exceeded_limit'
  end

  def test_low_rotor_rpm_and_its_recovery
    flown =
      airborne(flight)
        .mark(:decay)
        .leg(3, nr_pct: 93.5)
        .leg(1.5)
        .mark(:corrected)
        .leg(1, collective_pct: 25.0)
        .leg(3, nr_pct: 100.0)
        .leg(15)
    found = the(graded(flown), 'low_rotor_rpm_recovery')

    assert_in_delta flown.marks[:corrected], at(found, 'recovery'), 1.0
    assert_in_delta 93.5, found.measures['min_rotor_rpm_pct'].value, 0.7
    assert_operator found.measures['time_below_warning_s'].value, :>, 2.0
    assert_operator found.measures['reaction_s'].value, :>, 1.0
  end

  def test_a_hovering_autorotation
    flown =
      flight(wind_kt: 6.0)
        .leg(5)
        .leg(3, agl_ft: 4.0)
        .leg(15)
        .mark(:closure)
        .leg(0.6, throttle_pct: 2.0, map_inhg: 11.0, agl_ft: 3.8)
        .leg(0.8, agl_ft: 2.0, nr_pct: 88.0)
        .leg(0.6, agl_ft: 0.0, nr_pct: 78.0, collective_pct: 90.0)
        .mark(:contact)
        .leg(10, collective_pct: 0.0)
    found = the(graded(flown), 'hovering_autorotation')

    assert_equal %w[entry settle touchdown], found.attempt.phase_ids
    assert_in_delta flown.marks[:closure], found.attempt.start_s, 0.5
    assert_in_delta flown.marks[:contact], at(found, 'touchdown'), 0.5
    assert_includes %w[polished in marginal out], found.measures['contact_sink_fpm'].verdict
  end
end
