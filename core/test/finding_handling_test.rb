# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'scripted_flight'

# Level speed changes, circuits and energy drills in a recording: found where they are and nowhere else, and measured.
class FindingHandlingTest < Minitest::Test
  def flight(**options) = ScriptedFlight.new(**options)
  def graded(flight) = grade_csv(flight.csv, house: Fujin::Planning::HouseMethod.new).proposals
  def of(proposals, kind) = proposals.select { |p| p.attempt.manoeuvre == kind }
  def value(proposal, id) = proposal.measures.fetch(id).value

  def level(flight, gs_kt: 70.0) =
    flight
      .leg(5)
      .leg(3, agl_ft: 4.0)
      .leg(14)
      .leg(30, gs_kt: 50.0, agl_ft: 150.0)
      .leg(40, gs_kt: gs_kt, agl_ft: 600.0)
      .leg(20)

  (1..4).each do |seed|
    define_method("test_a_level_speed_change_both_ways_with_noise_#{seed}") do
      flown =
        level(flight(seed: seed))
          .mark(:slow)
          .leg(12, gs_kt: 50.0, agl_ft: 640.0)
          .mark(:slowed)
          .leg(15)
          .mark(:fast)
          .leg(10, gs_kt: 70.0, agl_ft: 600.0)
          .mark(:fastened)
          .leg(20)
      slower, faster = of(graded(flown), 'level_speed_change')

      assert_in_delta flown.marks[:slow], slower.attempt.start_s, 1.5
      assert_in_delta flown.marks[:slowed], slower.attempt.end_s, 1.5
      assert_in_delta flown.marks[:fast], faster.attempt.start_s, 1.5
      assert_in_delta(-20.0, value(slower, 'speed_change_kt'), 3.0)
      assert_in_delta 20.0, value(faster, 'speed_change_kt'), 3.0
      assert_in_delta 40.0, value(slower, 'level_height_max_ft'), 4.0
      assert_operator value(slower, 'level_heading_max_deg'), :<, 4.0
      assert_in_delta 12.0, value(slower, 'settle_s'), 2.0
    end
  end

  def test_a_small_one_or_one_in_a_climb_is_none
    small = level(flight).leg(10, gs_kt: 63.0).leg(20)
    climbing = level(flight).leg(12, gs_kt: 50.0, agl_ft: 900.0).leg(20)

    assert_empty of(graded(small), 'level_speed_change')
    assert_empty of(graded(climbing), 'level_speed_change')
  end

  # Ninety degrees in nine seconds, left.
  def corner(flight, agl_ft: flight.agl_ft, gs_kt: flight.gs_kt) =
    flight.leg(9, turn_deg_s: -10.0, roll_deg: -22.0, agl_ft: agl_ft, gs_kt: gs_kt).leg(0.5, roll_deg: 0.0)

  def circuit(seed, angle: 10.0)
    flown =
      flight(wind_kt: 0.0, seed: seed)
        .leg(5)
        .leg(3, agl_ft: 4.0)
        .leg(14)
        .mark(:off)
        .leg(12, gs_kt: 25.0, agl_ft: 10.0)
        .leg(20, gs_kt: 58.0, agl_ft: 300.0)
        .mark(:first_turn)
    corner(flown, agl_ft: 380.0).leg(8, agl_ft: 500.0)
    corner(flown, agl_ft: 600.0).mark(:downwind).leg(45, gs_kt: 75.0).mark(:downwind_over)
    corner(flown, gs_kt: 60.0).mark(:base).leg(8, agl_ft: 500.0)
    corner(flown)
      .mark(:final)
      .leg(25, gs_kt: 50.0, agl_ft: 430.0)
      .leg(4)
      .approach(angle, from_kt: 50.0)
      .mark(:landed)
      .leg(20, gs_kt: 0.0)
  end

  [1, 2].each do |seed|
    define_method("test_a_circuit_by_its_legs_with_noise_#{seed}") do
      flown = circuit(seed)
      found = of(graded(flown), 'circuit').then { |all| all.size == 1 ? all.first : flunk("#{all.size} circuits") }

      assert_equal %w[upwind crosswind downwind base final], found.attempt.phase_ids
      { 'upwind' => :off, 'downwind' => :downwind, 'base' => :base, 'final' => :final }.each do |leg, mark|
        assert_in_delta flown.marks[mark], found.attempt.phase(leg).start_s, leg == 'upwind' ? 2.5 : 1.5, leg
      end
      assert_in_delta flown.marks[:downwind_over], found.attempt.phase('downwind').end_s, 1.5
      assert_in_delta 300.0, value(found, 'first_turn_height_ft'), 25.0
      assert_in_delta 600.0, value(found, 'downwind_height_mean_ft'), 8.0
      assert_in_delta 0.0, value(found, 'downwind_track_off_deg'), 3.0
      assert_in_delta 430.0, value(found, 'set_up_height_ft'), 25.0
      assert_in_delta 430.0 / Math.tan(10.0 * Q::DEG), value(found, 'set_up_distance_ft'), 150.0
    end
  end

  # A recorder that shows eight feet with its skids on the ground and the collective down: heights are counted from
  # there.
  def test_a_height_channel_that_shows_eight_feet_on_the_ground
    head, *rows = circuit(1).csv.lines
    height, collective = %w[agl_ft collective_pct].map { |name| head.chomp.split(',').index(name) }
    as_it_is, eight_more = [0.0, 8.0].map do |more|
      raised = rows.map do |line|
        row = line.chomp.split(',', -1)
        row[collective] = '0' if row[height].to_f < 0.5
        row[height] = (row[height].to_f + more).to_s
        row.join(',') << "\n"
      end
      of(grade_csv([head, *raised].join, house: Fujin::Planning::HouseMethod.new).proposals, 'circuit').first
    end

    %w[set_up_height_ft set_up_after_s set_up_distance_ft].each do |id|
      assert_in_delta value(as_it_is, id), value(eight_more, id), 0.5, id
    end
  end

  def test_spacing_is_the_distance_between_the_lines
    flown = circuit(3)
    # Two corners of 90° at about 60 kt and ten degrees a second, and eight seconds across.
    radius = 62.0 * 1.68781 / (10.0 * Q::DEG)

    assert_within (2.0 * radius) + (8.5 * 58.0 * 1.68781), value(of(graded(flown), 'circuit').first, 'spacing_ft'), 12
  end

  def test_half_a_circuit_is_none
    flown = flight(wind_kt: 0.0).leg(5).leg(3, agl_ft: 4.0).leg(14).leg(32, gs_kt: 58.0, agl_ft: 400.0)
    corner(flown).leg(20)
    corner(flown).leg(20, gs_kt: 50.0).leg(4).approach(10.0, from_kt: 50.0).leg(20, gs_kt: 0.0)

    assert_empty of(graded(flown), 'circuit')
  end

  # Once round in three corners of 120° is no circuit: it has no downwind leg.
  def test_a_triangle_is_no_circuit
    third = ->(flown) { flown.leg(12, turn_deg_s: -10.0, roll_deg: -22.0).leg(0.5, roll_deg: 0.0) }
    flown = flight(wind_kt: 0.0).leg(5).leg(3, agl_ft: 4.0).leg(14).leg(12, gs_kt: 25.0, agl_ft: 10.0)
      .leg(20, gs_kt: 58.0, agl_ft: 450.0)
    2.times { third.call(flown).leg(30) }
    third.call(flown).leg(25, gs_kt: 50.0, agl_ft: 430.0).leg(4).approach(10.0, from_kt: 50.0).leg(20, gs_kt: 0.0)
    found = graded(flown)

    assert_empty of(found, 'circuit')
    assert_equal 1, of(found, 'normal_approach').size
  end

  JOINED = { throttle_pct: 80.0, collective_pct: 45.0, map_inhg: 21.0 }.freeze
  GLIDING = { throttle_pct: 0.0, collective_pct: 1.0, map_inhg: 11.0, nr_pct: 100.0 }.freeze

  def drill(seed)
    level(flight(seed: seed, wind_kt: 0.0))
      .leg(60, agl_ft: 2000.0)
      .leg(10)
      .mark(:closed)
      .leg(2, **GLIDING)
      .leg(8, gs_kt: 63.0, agl_ft: 1780.0)
      .mark(:out)
      .leg(6, gs_kt: 48.0, agl_ft: 1660.0)
      .leg(8, agl_ft: 1460.0, nr_pct: 97.0)
      .leg(6, gs_kt: 63.0, agl_ft: 1280.0, nr_pct: 100.0)
      .leg(8, agl_ft: 1080.0)
      .leg(5, gs_kt: 76.0, agl_ft: 920.0)
      .leg(6, agl_ft: 720.0, nr_pct: 103.0)
      .leg(5, gs_kt: 63.0, agl_ft: 600.0, nr_pct: 100.0)
      .mark(:back)
      .leg(6, agl_ft: 450.0)
      .leg(2, **JOINED)
      .leg(20, agl_ft: 700.0)
  end

  def test_an_energy_drill_between_its_departures
    flown = drill(1)
    all = graded(flown)
    found = of(all, 'energy_drill').first

    refute_nil found, all.map { |p| p.attempt.manoeuvre }.inspect
    assert_in_delta flown.marks[:out], found.attempt.start_s, 3.5
    assert_in_delta flown.marks[:back], found.attempt.end_s, 3.5
    assert_in_delta 48.0, value(found, 'glide_ias_min_kt'), 3.0
    assert_in_delta 76.0, value(found, 'glide_ias_max_kt'), 3.0
    assert_in_delta 103.0, value(found, 'glide_rotor_rpm_max_pct'), 1.0
    assert_empty of(all, 'straight_in_autorotation'), 'one attempt a closure'
  end

  # The nose comes up a second and a half before the collective is checked.
  def test_which_hand_moved_first_in_a_drill
    flown =
      level(flight(seed: 3, wind_kt: 0.0))
        .leg(60, agl_ft: 2000.0)
        .leg(10)
        .leg(2, **GLIDING)
        .leg(12, gs_kt: 63.0, agl_ft: 1700.0)
        .leg(1.5, pitch_deg: 7.0, gs_kt: 59.0)
        .leg(4.5, gs_kt: 48.0, agl_ft: 1600.0, collective_pct: 9.0)
        .leg(8, agl_ft: 1400.0)
        .leg(6, gs_kt: 63.0, agl_ft: 1220.0, pitch_deg: 0.0, collective_pct: 1.0)
        .leg(8, agl_ft: 1000.0)
        .leg(5, gs_kt: 76.0, agl_ft: 850.0)
        .leg(6, agl_ft: 650.0)
        .leg(5, gs_kt: 63.0, agl_ft: 520.0)
        .leg(2, **JOINED)
        .leg(20, agl_ft: 700.0)
    found = of(graded(flown), 'energy_drill').first

    assert_in_delta 1.5, value(found, 'pitch_before_collective_s'), 1.0
    assert_operator value(found, 'pitch_before_collective_s'), :>, 0.5
  end

  def test_a_glide_that_was_only_a_little_fast_once_is_no_drill
    flown =
      level(flight(wind_kt: 0.0))
        .leg(60, agl_ft: 2000.0)
        .leg(10)
        .leg(2, **GLIDING)
        .leg(8, gs_kt: 63.0, agl_ft: 1780.0)
        .leg(5, gs_kt: 72.0, agl_ft: 1600.0)
        .leg(6, agl_ft: 1400.0)
        .leg(5, gs_kt: 63.0, agl_ft: 1250.0)
        .leg(20, agl_ft: 700.0)
        .leg(2, **JOINED)
        .leg(20, agl_ft: 900.0)
    found = graded(flown)

    assert_empty of(found, 'energy_drill')
    assert_equal 1, of(found, 'straight_in_autorotation').size
  end

  # What the drill's height went into: a steady glide over the same time would have cost the plan's sink.
  def test_a_drill_says_what_height_it_cost_beyond_a_glide
    found = of(graded(drill(2)), 'energy_drill').first
    seconds = found.attempt.end_s - found.attempt.start_s
    day = conditions
    glide =
      Fujin::Manoeuvres::Autorotation::StraightInPlan.new(day, Fujin::Planning::HouseMethod.new).targets[
        'glide_sink_fpm'
      ]

    assert_in_delta (value(found, 'glide_sink_fpm') - glide) * seconds / 60.0,
                    value(found, 'height_beyond_glide_ft'),
                    1.0
  end
end
