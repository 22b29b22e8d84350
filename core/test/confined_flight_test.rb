# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# Approaches to a surveyed site, from recordings whose truth is known.
class ConfinedFlightTest < Minitest::Test
  FT = 0.3048

  def flown(kind = 'confined_area', **how) = flown_by_pilot(kind, seed: 7, **how)

  def only(flight)
    flight.proposals.then { |all| all.size == 1 ? all.first : raise(all.map { |p| p.attempt.manoeuvre }.inspect) }
  end

  # Abeam the tree's crown of 3 m, half a metre of place and two of what lies between samples: from 125.5 m before the
  # spot to 114.5 m the run itself says how high it was.
  def test_the_clearance_is_what_the_flight_had_over_the_top
    flight = flown
    lowest = flight.run.rows.select do |row|
      Math.hypot(row.north_m, row.east_m).between?(114.5, 125.5) && row.phase == :descent
    end
      .map(&:height_m).min
    found = only(flight).measures['obstacle_clearance_ft']

    assert_in_delta (lowest / FT) - 41, found.value, 4.0
    assert_equal 'confined_area', only(flight).attempt.manoeuvre
    assert_empty only(flight).faults.map(&:id)
  end

  # On the spot, 30 m from the nearest edge.
  def test_where_it_ended_is_measured_from_the_edge_of_the_ground
    assert_in_delta 30 / FT, only(flown).measures['ground_margin_ft'].value, 15.0
  end

  # Four degrees flatter it passes the tree lower than is kept, and that is named first.
  def test_a_flatter_line_is_low_over_the_tree
    found = only(flown(faults: { 'too_shallow' => 6.0 }))

    assert_operator found.measures['obstacle_clearance_ft'].value, :<, 20
    assert_equal 'low_over_obstacle', found.faults.first.id
    assert_match(/ft over tree/, found.faults.first.evidence)
  end

  # Turned away late, under the height that the site's gate asks for.
  def test_breaking_off_late_is_held_to_the_sites_own_gate
    late = only(flown(faults: { 'late_decision' => 7.0 }, settings: { 'break_off_ft' => 280.0 }))

    assert_equal :go_around, late.attempt.result
    assert_operator late.measures['break_off_height_ft'].value, :<, 240
    assert_equal 'late_decision', late.faults.find { |fault| fault.id == 'late_decision' }&.id
  end

  # The same recording without a site, or for another exercise, is an approach like any other.
  def test_only_on_its_site_and_only_as_the_exercise
    assert_equal %w[steep_approach], kinds(exercise: 'confined_area')
    assert_equal %w[steep_approach], kinds(exercise: 'steep_approach', site: meadow_at_the_spot)
    assert_equal %w[pinnacle], kinds(exercise: 'pinnacle', site: meadow_at_the_spot)
  end

  # What is found in the flight to the spot, into the wind.
  def kinds(**about)
    wind = Fujin::Wind.parse('350/8')
    context = Fujin::Lessons.context(conditions: conditions(wind: wind), spot: SPOT, wind: wind, course_deg: 350.0,
                                     **about)
    Fujin::Grading::Grader.new(flown.signals, context).proposals.map { |p| p.attempt.manoeuvre }
  end

  # Ended beside the ground by less than twenty metres it still was that site.
  def test_how_far_beside_its_ground_an_approach_is_to_that_site
    assert_equal([%w[confined_area], %w[steep_approach]], [17.0, 23.0].map do |metres|
      kinds(exercise: 'confined_area', site: site_with(beside_m: metres))
    end)
  end

  # A hover of twenty seconds at 4 ft over the spot with a post 3 m to the left and 4 m back: 2 m from the tail's
  # side, less a metre of placing and half a metre of place. Then straight up to 60 ft and away: over a wood of 30 ft
  # (a foot more at most), 60 m on, 29 ft are left at its near edge.
  def test_the_tail_and_the_way_out
    post = { 'id' => 'post', 'what' => 'pole', 'top_ft' => 20, 'pass' => 'surveyed' }
    site = site_with(['obstacle', 'Point', at(-4, -3), post],
                     ['obstacle', 'Polygon', [[at(60, -40), at(80, -40), at(80, 40), at(60, 40), at(60, -40)]],
                      { 'id' => 'wood', 'what' => 'trees', 'top_ft' => 30, 'pass' => 'surveyed' }])
    found = only_written(site)

    assert_in_delta (3 - 1.0 - 1.5) / FT, found.measures['tail_clearance_ft'].value, 1.0
    assert_in_delta 29.0, found.measures['departure_clearance_ft'].value, 1.5
    assert_equal %w[descent termination departure], found.attempt.phases.map(&:id)
    # An ordinary receiver leaves eight feet open to either side: the figure is shown, nobody is accused of it.
    assert_nil found.measures['tail_clearance_ft'].verdict
    refute_includes found.faults.map(&:id), 'tail_toward_obstacle'
  end

  def at(along, across)
    Fujin::LocalMap.new(*SPOT).lat_lon(*Fujin::LocalMap.from_along_across(along, across, 350.0)).reverse
  end

  # A meadow about the spot, or so far to the right of it.
  def site_with(*shapes, beside_m: -30.0)
    left = beside_m
    right = beside_m + 60.0
    ring = [at(-40, left), at(40, left), at(40, right), at(-40, right), at(-40, left)]
    meadow = [['site', 'Polygon', [ring], { 'name' => 'M' }],
              ['spot', 'Point', at(0, beside_m + 30.0), { 'id' => 'spot' }]]
    features = (meadow + shapes).map do |kind, type, coordinates, fields|
      { 'type' => 'Feature', 'properties' => { 'kind' => kind, **fields },
        'geometry' => { 'type' => type, 'coordinates' => coordinates } }
    end
    Fujin::Sites::SiteFile.read('type' => 'FeatureCollection', 'features' => features)
  end

  # Down a line of 13.5° at 25 kt over the ground to a hover of 20 s, up to 60 ft in 6 s, then 20 kt level and climbing.
  def only_written(site)
    speed = 25 * WrittenFlight::FT_S
    slope = Math.tan(13.5 * Math::PI / 180)
    start = 700.0
    stop_s = (start / speed * 2) + 10
    flight = WrittenFlight.new(stop_s + 60) { |t| columns(t, start, speed, slope, stop_s) }
    grade_csv(flight.csv, day: conditions(wind: Fujin::Wind.calm), wind: Fujin::Wind.calm, course_deg: 350.0,
                          exercise: 'confined_area', site: site).proposals
      .find { |one| one.attempt.manoeuvre == 'confined_area' } || raise('not found')
  end

  # Level for ten seconds, then slowing evenly down the line; standing; up; away.
  def columns(t, start, speed, slope, stop_s)
    along, knots, feet =
      if t < 10 then [-start - (speed * (10 - t)), speed, 4 + (start * slope)]
      elsif t < stop_s
        left = 1 - ((t - 10) / (stop_s - 10))
        [-start * (left**2), speed * left, 4 + (start * (left**2) * slope)]
      else
        out(t - stop_s)
      end
    heading = 350 * Math::PI / 180
    { 'north_ft' => along * Math.cos(heading), 'east_ft' => along * Math.sin(heading), 'agl_ft' => feet,
      'gs_kt' => knots / WrittenFlight::FT_S, 'ias_kt' => knots / WrittenFlight::FT_S, 'map_inhg' => 21.0 }
  end

  def out(t)
    return [0.0, 0.0, 4.0] if t < 20
    return [0.0, 0.0, 4.0 + ((t - 20) * 56 / 6.0)] if t < 26

    gone = t - 26
    [20 * WrittenFlight::FT_S * gone, 20 * WrittenFlight::FT_S, 60.0 + [(gone - 8) * 12, 0.0].max]
  end
end
