# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'found_help'

# Autorotations that are not straight, flights that hold nothing, and a lesson of everything.
class FindingTest < Minitest::Test
  include FoundHelp

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
