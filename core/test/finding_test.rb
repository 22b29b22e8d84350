# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'scripted_flight'

# What is found in a recording of anything but a straight-in autorotation: the kind, the boundaries, the measures.
class FindingTest < Minitest::Test
  def flight(**options) = ScriptedFlight.new(**options)
  def graded(flight, **day) = grade_csv(flight.csv, house: Fujin::Planning::HouseMethod.new, **day).proposals
  def kinds(proposals) = proposals.map { |p| p.attempt.manoeuvre }

  def the(proposals, kind)
    proposals
      .select { |p| p.attempt.manoeuvre == kind }
      .then { |found| found.size == 1 ? found.first : flunk("#{kind} is not found once: #{kinds(proposals)}") }
  end

  def at(proposal, phase) = proposal.attempt.phase(phase).start_s

  # From standing to level flight at a height.
  def airborne(flight, agl_ft: 500.0, gs_kt: 60.0)
    flight
      .leg(5)
      .leg(3, agl_ft: 4.0)
      .leg(14)
      .mark(:off)
      .leg(12, gs_kt: 25.0, agl_ft: 10.0)
      .leg(14, gs_kt: 52.0, agl_ft: 90.0)
      .leg(agl_ft / 12.0, gs_kt: gs_kt, agl_ft: agl_ft)
      .mark(:level)
      .leg(25)
  end

  { 'normal_approach' => [9.0, 55.0], 'steep_approach' => [14.0, 42.0] }.each do |kind, (angle, speed)|
    (1..4).each do |seed|
      define_method("test_a_#{kind}_with_noise_#{seed}") do
        flown =
          airborne(flight(seed: seed))
            .leg(8, gs_kt: speed)
            .mark(:descent)
            .approach(angle, from_kt: speed)
            .leg(20, gs_kt: 0.0)
        found = the(graded(flown), kind)

        assert_in_delta flown.marks[:descent], at(found, 'descent'), 1.0
        assert_in_delta flown.marks[:still], at(found, 'termination'), 1.0
        assert_in_delta angle, found.measures['approach_angle_deg'].value, 0.7
        assert_in_delta 5.0, found.measures['hover_height_ft'].value, 0.8
        refute_includes found.grades.map(&:grade), nil
      end
    end
  end

  def test_an_approach_off_the_houses_angle_and_too_fast_down_when_slow
    flown = airborne(flight).leg(20, gs_kt: 40.0).approach(17.0, from_kt: 40.0).leg(20, gs_kt: 0.0)
    found = the(graded(flown), 'steep_approach')

    assert_equal 'too_steep', found.first_fault.id
    assert_match(/1[67]\.\d° over the ground, 13\.5° is wanted/, found.first_fault.evidence)
  end

  def test_sinking_fast_at_low_airspeed_is_named_with_where
    flown =
      airborne(flight(wind_kt: 0.0))
        .leg(10, gs_kt: 7.0)
        .mark(:sinks)
        .leg(8, agl_ft: 380.0)
        .leg(40, agl_ft: 5.0, gs_kt: 5.0)
        .leg(20, gs_kt: 0.0)
    found = graded(flown, wind: Fujin::Wind.calm).find { |p| p.attempt.manoeuvre == 'steep_approach' }

    assert_includes found.faults.map(&:id), 'sank_at_low_speed'
    assert_operator found.measures['vortex_ring_index_max'].value, :>, 0.1
  end

  def test_a_run_on_landing
    flown =
      airborne(flight, agl_ft: 300.0)
        .leg(8, gs_kt: 45.0)
        .mark(:descent)
        .leg(60, agl_ft: 8.0, gs_kt: 24.0)
        .leg(4, agl_ft: 0.0, gs_kt: 18.0)
        .mark(:contact)
    flown.leg(6, gs_kt: 0.0).mark(:stop).leg(8)
    found = the(graded(flown), 'run_on_landing')

    assert_equal %w[descent touchdown slide], found.attempt.phase_ids
    assert_in_delta flown.marks[:descent], at(found, 'descent'), 1.0
    assert_in_delta flown.marks[:contact], at(found, 'touchdown'), 0.6
    assert_in_delta flown.marks[:stop], found.attempt.end_s, 1.0
    assert_in_delta 18.0, found.measures['contact_groundspeed_kt'].value, 2.0
    assert_in_delta 0.5 * 18.0 * 1.68781 * 6.0, found.measures['slide_ft'].value, 15.0
  end

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

  def test_take_offs_at_hover_power_and_at_maximum_performance
    normal = graded(airborne(flight))
    steep =
      graded(
        flight
          .leg(5)
          .leg(3, agl_ft: 4.0)
          .leg(8)
          .mark(:off)
          .leg(10, agl_ft: 60.0, gs_kt: 18.0)
          .leg(15, agl_ft: 220.0, gs_kt: 35.0)
          .leg(10, agl_ft: 300.0, gs_kt: 55.0)
          .leg(20)
      )

    assert_includes kinds(normal), 'hover_power_take_off'
    measures = the(normal, 'hover_power_take_off').measures

    assert_in_delta 70.0, measures['climb_speed_height_ft'].value, 30.0
    assert_operator measures['transition_sink_ft'].value, :<, 2.0
    refute_includes kinds(normal), 'maximum_performance_take_off'
    assert_includes kinds(steep), 'maximum_performance_take_off'
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

  # One sample a second: kind and order the same, boundaries within a second and a half.
  def test_at_one_hertz
    flown = airborne(flight).leg(8, gs_kt: 55.0).mark(:descent).approach(9.0, from_kt: 55.0).leg(30, gs_kt: 0.0)
    lines = flown.csv.lines
    found = the(grade_csv(lines.first + lines.drop(1).each_slice(10).map(&:first).join).proposals, 'normal_approach')

    assert_in_delta flown.marks[:descent], at(found, 'descent'), 1.5
    assert_in_delta flown.marks[:still], at(found, 'termination'), 1.5
  end

  # An autorotation as the model flies it, bent into a turn: every track and heading after the entry goes round.
  def turned(turns)
    rows = CSV.parse(fly(ending: 'touchdown').csv, headers: true, converters: :float).map(&:to_h)
    north = east = 0.0
    angle = 0.0
    bent =
      rows.map do |row|
        turn = turns.find { |from, to, _| row['t_s'].between?(from, to) }
        rate = turn ? turn[2] / (turn[1] - turn[0]) : 0.0
        angle += rate * 0.1
        heading = row['track_deg'] + angle
        north += row['gs_kt'] * Q::KT * 0.1 * Math.cos(heading * Q::DEG)
        east += row['gs_kt'] * Q::KT * 0.1 * Math.sin(heading * Q::DEG)
        bank = Math.atan(row['gs_kt'] * Q::KT * rate * Q::DEG / Q::G) / Q::DEG
        row.merge(
          'track_deg' => heading % 360.0,
          'hdg_deg' => (row['hdg_deg'] + angle) % 360.0,
          'roll_deg' => row['roll_deg'] + bank,
          'lat_deg' => 47.21 + (north / 111_180.0),
          'lon_deg' => -14.33 + (east / 75_500.0)
        )
      end
    [rows.first.keys.join(','), *bent.map { |row| row.values.join(',') }].join("\n") << "\n"
  end

  def test_a_turning_autorotation_and_an_s_turn
    one = grade_csv(turned([[22.0, 34.0, 180.0]])).proposals.first
    two = grade_csv(turned([[21.0, 27.0, 75.0], [28.0, 34.0, -75.0]])).proposals.first

    assert_equal 'turning_autorotation', one.attempt.manoeuvre
    assert_equal %w[entry turn glide flare], one.attempt.phase_ids.first(4)
    assert_in_delta 22.0, at(one, 'turn'), 1.0
    assert_in_delta 34.0, at(one, 'glide'), 1.0
    assert_equal 's_turn_autorotation', two.attempt.manoeuvre
    assert_in_delta 34.0, at(two, 'glide'), 1.0
  end

  # An autorotation as the model flies it, its airspeed taken off high up and brought back.
  def test_a_low_speed_autorotation
    rows = CSV.parse(fly(ending: 'touchdown').csv, headers: true, converters: :float).map(&:to_h)
    slowed =
      rows.map do |row|
        share = [[(row['t_s'] - 20.0) / 4.0, (34.0 - row['t_s']) / 4.0].min.clamp(0.0, 1.0), 1.0].min
        row.merge('ias_kt' => row['ias_kt'] * (1.0 - (0.75 * share)), 'gs_kt' => row['gs_kt'] * (1.0 - (0.75 * share)))
      end
    found =
      grade_csv(
        [rows.first.keys.join(','), *slowed.map { |row| row.values.join(',') }].join("\n") << "\n"
      ).proposals.first

    assert_equal 'low_speed_autorotation', found.attempt.manoeuvre
    assert_in_delta 33.6, at(found, 'glide'), 1.5
  end

  # Without a pitch channel or a flare the speed that comes off for the landing is no low-speed exercise.
  def test_a_landing_is_no_low_speed_autorotation
    csv = without(fly(ending: 'touchdown').csv, 'pitch_deg', 'gs_kt', 'track_deg', 'lat_deg', 'lon_deg')

    assert_equal ['straight_in_autorotation'], kinds(grade_csv(csv).proposals)
  end

  def test_straight_ones_stay_straight_and_nothing_is_found_twice
    (1..4).each do |seed|
      found = fly(ending: 'touchdown', seed: seed).proposals

      assert_equal ['straight_in_autorotation'], kinds(found)
    end
  end

  def test_level_flight_and_standing_hold_no_attempt
    assert_empty graded(flight(agl_ft: 800.0).leg(2, gs_kt: 70.0).leg(120, turn_deg_s: 1.5))
    assert_empty graded(flight.leg(60))
  end

  # A lesson of everything, one after the other: each is found once, and the boundaries do not overlap.
  def test_a_whole_lesson
    flown = airborne(flight(seed: 7)).leg(8, gs_kt: 55.0).approach(9.0, from_kt: 55.0).leg(30, gs_kt: 0.0)
    flown
      .leg(12, gs_kt: 25.0, agl_ft: 10.0)
      .leg(14, gs_kt: 52.0, agl_ft: 90.0)
      .leg(30, gs_kt: 60.0, agl_ft: 450.0)
      .leg(20, turn_deg_s: 9.0)
      .leg(20)
    flown
      .leg(8, gs_kt: 42.0)
      .approach(13.5, from_kt: 42.0)
      .leg(30, gs_kt: 0.0)
      .leg(9, turn_deg_s: 20.0)
      .leg(12)
      .leg(6, agl_ft: 0.0)
      .leg(5, collective_pct: 0.0)
    found = graded(flown)

    assert_equal(
      {
        'lift_off_and_set_down' => 2,
        'hover_power_take_off' => 2,
        'normal_approach' => 1,
        'steep_approach' => 1,
        'hover_turn' => 1
      },
      kinds(found).tally.except('hover')
    )
    found.each_cons(2) do |a, b|
      assert_operator(a.attempt.end_s, :<=, b.attempt.start_s + 0.2, [a, b].map { |p| p.attempt.manoeuvre })
    end
  end
end
