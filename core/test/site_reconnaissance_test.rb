# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'site_help'

# The two looks at a site, by hand.
class SiteReconnaissanceTest < Minitest::Test
  include SiteHelp

  FT = 0.3048

  def looks(*features, wind: '360/10') = report(site(ground, spot, approach, departure, *features), wind).reconnaissance

  # 500 ft over the ground, or 300 over the highest top around, in tens.
  def test_the_orbit_is_over_the_ground_and_over_the_tops
    assert_in_delta 500.0, looks.orbit_height.value
    assert_in_delta 520.0, looks(tree(200, 200, 212)).orbit_height.value, 0.1, '212 and a foot, and 300, up to ten'
    assert_in_delta 500.0, looks(tree(400, 400, 400)).orbit_height.value, 0.1, 'farther than 500 m is nobody\'s'
  end

  # 58 kt and 10 of wind are 35.0 m/s over the ground (a little more in thin air): 35.0² / (g tan 15°) = 466 m.
  def test_the_turn_is_as_wide_as_the_wind_behind_makes_it
    metres = ((((58.0 / Math.sqrt(0.991)) + 10) * 1852 / 3600)**2) / (9.80665 * Math.tan(15 * Math::PI / 180))

    assert_in_delta metres / FT, looks.orbit_radius.value, 12
    assert_equal 'no_wind', looks(wind: nil).orbit_radius.reason
  end

  # With ground all round every point of the orbit reaches it; with the meadow alone some do.
  def test_the_orbit_stays_in_reach_of_ground
    wide = feature('landable', 'Polygon', ring([-3000, -3000], [3000, -3000], [3000, 3000], [-3000, 3000]), id: 'field')

    assert_in_delta 100.0, looks(wide).orbit_escape.value
    assert_operator looks.orbit_escape.value, :<, 100.0
  end

  # From each fifteenth degree round the spot, the way the orbit is flown, at climb speed: half the country fits.
  def test_the_orbit_is_looked_at_all_round
    north = feature('landable', 'Polygon', ring([50, -3000], [3000, -3000], [3000, 3000], [50, 3000]), id: 'north')
    told = report(site(ground, spot, approach, departure, north), '360/10')
    found = told.reconnaissance
    turn = found.side == 'right' ? 90.0 : -90.0
    reached = (0...360).step(360 / Fujin::Manoeuvres::Confined::Reconnaissance::POINTS).map do |bearing|
      at = Complex.polar(found.orbit_radius.value * FT, bearing * Math::PI / 180)
      told.day.engine_failure.from(at, height_m: found.orbit_height.value * FT, ias_kt: 58.0,
                                       course_deg: (bearing + turn) % 360)
    end

    assert_in_delta 100.0 * reached.count('reached') / reached.size, found.orbit_escape.value, 1e-6
    assert_includes 20.0..80.0, found.orbit_escape.value
  end

  # Over a wire of 40 ft by 50 (surveyed, a foot more): 91 ft, so 100; over a tree of 60 by 20: 81, so 90; else 50.
  def test_the_pass_clears_what_stands_under_it
    assert_in_delta 50.0, looks.pass_height.value
    assert_in_delta 100.0, looks(wire([-150, -50], [-150, 50], 40)).pass_height.value
    assert_in_delta 90.0, looks(tree(-100, 0, 60)).pass_height.value
    assert_equal 'not_known: tree', looks(tree(-100, 0, nil)).pass_height.reason
  end

  # From 50 ft over the spot the climb passes a wood 200 m on: a hundred feet more of wood, a hundred less over it (in
  # a wind too light for a lee).
  def test_the_way_out_of_the_pass_is_flown
    free = looks(wood(200, 230, -60, 60, 20), wind: '360/7').pass_clearance.value
    higher = looks(wood(200, 230, -60, 60, 120), wind: '360/7').pass_clearance.value

    assert_in_delta 100.0, free - higher, 0.5
    assert_operator free, :>, 50 - 21
  end
end
