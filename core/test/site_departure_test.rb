# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'site_help'

# Ways out of a site, by closed forms.
class SiteDepartureTest < Minitest::Test
  include SiteHelp

  FT = 0.3048
  G = 9.80665
  Confined = Fujin::Manoeuvres::Confined

  def flown(*features, wind: '360/10', ground: self.ground, **rest)
    found = site(ground, spot, departure, *features)
    Confined::FlownDeparture.new(found.departures[0], day(found, wind, **rest))
  end

  def long_ground
    feature('site', 'Polygon', ring([-40, -30], [300, -30], [300, 30], [-40, 30]), name: 'Long', elevation_ft: 0)
  end

  # Level at 0.1 g over s metres: v² = 2 · 0.1 g · s. A second late it is at v + 0.1 g, and stops from there at 0.15 g.
  # The ground: 40 m (the middle of a ground 80 m long) less 3.98 m of rotor.
  def test_the_run_is_given_up_while_it_still_stops
    commit = flown(wind: '360/2').ways['with_a_run'].commit_point.value * FT
    stops = ->(run) do
      v = Math.sqrt(2 * 0.1 * G * run)
      run + v + (0.05 * G) + (((v + (0.1 * G))**2) / (0.3 * G))
    end

    assert_operator stops.call(commit), :<=, 40 - 3.98
    assert_operator stops.call(commit + 0.6), :>, 40 - 3.98
  end

  # 20 kt of airspeed with 10 kt of wind are 10 kt over the ground: 5.14² / (2 · 0.1 g) = 13.5 m, in thin air a little
  # more.
  def test_it_lifts_at_twenty_knots_of_airspeed_where_nothing_stands
    way = flown(ground: long_ground).ways['with_a_run']

    assert_in_delta 13.5, way.lift_point.value * FT, 2.5
    assert_in_delta 20.0, way.lift_speed.value, 1.2
    assert_equal 'possible', way.verdict
  end

  def test_without_the_room_for_twenty_knots_there_is_no_run
    assert_equal(%w[not speed], flown(wind: '360/1').ways['with_a_run'].then { |way| [way.verdict, way.because] })
  end

  # From the far end there is as much ground again.
  def test_backtracking_gives_the_whole_length
    ways = flown(wind: '360/2').ways

    assert_in_delta (80 - (2 * 3.98)) / FT, ways['backtrack'].send(:usable_m) / FT, 0.5
    assert_operator ways['backtrack'].commit_point.value, :>, ways['with_a_run'].commit_point.value
  end

  # The lift is where everything is cleared: over the wood by 20 ft with its top at the high end.
  def test_the_climb_clears_what_is_ahead_by_what_is_kept
    way = flown(wood(380, 400, -60, 60, 60), ground: long_ground).ways['with_a_run']

    assert_equal 'possible', way.verdict
    assert_operator way.clearance.low, :>=, 20.0 - 0.1
  end

  # A steady climb gains as much on each stretch, to the end of what is looked at.
  def test_the_climb_goes_on_as_far_as_obstacles_are_looked_for
    room = ->(metres) { flown(tree(metres, 0, 20), ground: long_ground).ways['with_a_run'].clearance.value }
    gained = [400, 500, 600, 700, 800, 900].map(&room).each_cons(2).map { |near, far| far - near }

    gained.each { |feet| assert_in_delta gained[0], feet, 0.15 * gained[0] }
  end

  # A tree foot by foot taller takes as much of the clearance, and how high it can be is what decides: within a foot and
  # a third of its top 20 ft are kept, or may be, or are not.
  def test_the_lift_is_where_everything_is_cleared
    past = ->(top_ft) { flown(tree(340, 0, top_ft), ground: long_ground).ways['with_a_run'] }
    low = past.call(20)
    # What is left over a tree of 20 ft is how tall one may be over which 20 ft are left.
    most = low.clearance.value

    [[most - 1.5, 'possible', nil], [most - 0.5, 'marginal', 'clearance'],
     [most + 0.2, 'not', 'clearance']].each do |top_ft, *told|
      assert_equal told, past.call(top_ft).then { |way| [way.verdict, way.because] }, "#{top_ft} ft"
    end
    assert_in_delta low.lift_point.value, past.call(most - 1.5).lift_point.value, 0.01
  end

  # Straight up to 20 ft over the highest top, level, then up: over that wood 20 ft and a foot of uncertainty.
  def test_towering_goes_over_the_highest_by_twenty_feet
    way = flown(wood(60, 80, -60, 60, 60), people: 'solo').ways['towering']

    assert_equal 'possible', way.verdict
    assert_in_delta 21.0, way.clearance.value, 0.5
    assert_in_delta 20.0, way.clearance.low, 0.5
    assert_operator way.avoid_area_s.value, :>, 2.0
  end

  # From the far end of 210 m of ground, 200 of them before the spot, and on to 950 m over nothing to land on: 186 of
  # some 1,126 m are over the ground, looked at as often by height as by way.
  def test_an_engine_that_quits_on_the_backtrack_finds_the_ground_it_runs_over
    corners = ring([-200, -30], [10, -30], [10, 30], [-200, 30])
    weak = day(site(feature('site', 'Polygon', corners, name: 'Long', elevation_ft: 4500), spot, departure),
               '360/10', oat_c: 20)
    out = Confined::FlownDeparture.new(weak.site.departures[0], weak)

    assert_equal %w[not not possible], out.ways.values.map(&:verdict)
    assert_in_delta(-176.0, out.best.path.first.along_m, 1.0)
    assert_in_delta 100.0 * 186 / 1126, out.escape.value, 5.0
  end

  # Level, what power is left goes into speed: half of m v² grows by it, reckoned from the speed before a step, which is
  # a little more than what the step takes.
  def test_level_it_gains_what_the_power_left_gives
    day = day(site(high, spot, departure, wood(60, 80, -60, 60, 60)), '360/5', oat_c: 20)
    slow, fast = level(Confined::FlownDeparture.new(day.site.departures[0], day).ways['towering']).first
    before, after = [slow, fast].map { |at| day.conditions.atmosphere.true_speed(at.ias_kt * Q::KT) }
    left = (day.trim.power_available_w - day.trim.level_power_w(slow.ias_kt)) * day.type.fetch('engine.efficiency')
    taken = day.conditions.mass_kg * ((after**2) - (before**2)) / 2 / (fast.t_s - slow.t_s)

    assert_in_delta (before + after) / 2 / before, taken / left, 0.005
  end

  # With power enough it is the nose that holds it, at ten degrees down.
  def test_level_it_gains_no_more_than_the_nose_gives
    slow, fast = level(flown(wood(60, 80, -60, 60, 60), ground: high, people: 'solo').ways['towering'])[5].map(&:ias_kt)
    air = Fujin::Atmosphere.new(elevation_m: 4000 * FT)

    assert_in_delta G * Math.tan(10 * Math::PI / 180) * 0.5 / Q::KT, air.true_speed(fast - slow), 1e-6
  end

  def high = ground(elevation_ft: 4000)
  def level(way) = way.path.each_cons(2).select { |_, after| after.climb_m_s.zero? }

  # Angle needed: 60 ft and 20 ft kept at the wood's near edge, 60 m out, from the ground.
  def test_the_angle_needed_is_measured_from_the_lift
    needed = flown(wood(60, 80, -60, 60, 60)).ways['towering'].climb_angle_needed.value

    assert_in_delta Math.atan2(80 * FT, 60) * 180 / Math::PI, needed, 0.05
  end

  def test_power_room_and_heights_that_are_not_known_each_say_no
    hot = flown(wood(60, 80, -60, 60, 60), ground: ground(elevation_ft: 5000), oat_c: 25).ways['towering']
    tight = flown(tree(0, 8, 60)).ways['towering']
    unknown = flown(tree(60, 0, nil)).ways['towering']

    assert_equal %w[not power], [hot.verdict, hot.because]
    assert_equal %w[not room], [tight.verdict, tight.because]
    assert_equal 'not_known: tree', unknown.because
  end

  # Power seen over predicted counts like so much less power: the margin m becomes (1 + m) / k - 1.
  def test_the_power_check_becomes_the_margin
    found = site(ground, spot, departure)
    before = day(found)
    after = day(found, k: 1.05)

    assert_in_delta (((100 + before.margin_pct) / 1.05) - 100), after.margin_pct, 0.05
    assert_raises(Fujin::InvalidInput) { day(found, k: 1.2) }
  end

  # With the whole country fit to land on, every point outside the avoid area reaches it; with nothing, none.
  def test_escape_counts_the_ground_that_is_reached
    wide = feature('landable', 'Polygon', ring([-3000, -3000], [3000, -3000], [3000, 3000], [-3000, 3000]), id: 'field')
    lone = site(ground, spot, approach, departure)
    everywhere = site(ground, spot, approach, departure, wide)
    escape = ->(found) { Confined::FlownApproach.new(found.approaches[0], day(found)).escape.map(&:value) }
    reached, avoid = escape.call(everywhere)

    assert_in_delta 100.0, reached + avoid, 1e-6
    assert_operator escape.call(lone)[0], :<, reached
  end

  # Looked at from the spot outwards, each fifty feet of the way.
  def test_escape_is_looked_at_every_fifty_feet
    today = day(site(ground, spot, approach, departure))
    line = Confined::FlownApproach.new(today.site.approaches[0], today)
    outward = (0.0..line.start_m).step(50 * FT).to_a
    found = outward.map do |m|
      today.engine_failure.from(Complex(-m, 0), height_m: line.plan_height_m(m), ias_kt: line.at(m, :ias_kt),
                                                course_deg: 0.0)
    end

    assert_in_delta 100.0 * found.count('reached') / found.size, line.escape[0].value, 1e-6
    assert_operator found.uniq.size, :>, 1
  end
end
