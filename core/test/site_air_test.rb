# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'site_help'

# Lee and light on a site, by hand.
class SiteAirTest < Minitest::Test
  include SiteHelp

  FT = 0.3048

  def lee(wind, *features)
    found = site(ground, *features)
    Fujin::Sites::Lee.new(found.obstacles, wind && Fujin::Wind.parse(wind))
  end

  # A wood 40 ft high across a north wind: ten heights, 121.9 m, behind its edges, up to 60 ft.
  def test_behind_a_wood_the_air_is_turbulent_for_ten_heights
    found = lee('360/10', wood(50, 80, -60, 60, 40))

    { 45.0 => 'wood', 50 - 121.0 => 'wood', 50 - 123.0 => nil, 81.0 => nil }.each do |north, whose|
      assert_equal [whose], [found.at(Complex(north, 0), 1.0)&.obstacle&.id], north.to_s
    end
    assert_nil found.at(Complex(0, 0), 61 * FT)
    refute_nil found.at(Complex(0, 0), 59 * FT)
    refute_nil found.noted_at(Complex(50 - 150.0, 0), 1.0)
    assert_nil found.at(Complex(0, 65), 1.0), 'beside it'
  end

  def test_a_light_wind_a_narrow_wood_and_a_wire_give_none
    assert_empty lee('360/7', wood(50, 80, -60, 60, 40)).regions
    assert_empty lee('360/10', wood(50, 80, -10, 10, 40)).regions, '20 m wide, 24.4 m is twice its height'
    assert_empty lee('360/10', wire([50, -90], [50, 90], 60)).regions
    assert_empty lee(nil, wood(50, 80, -60, 60, 40)).regions
  end

  # Crests of 200 and 90 ft, 100 m to the north: ten heights behind them, and three more down the slope of the hill.
  def test_a_hill_has_lee_on_its_whole_slope
    crest = ->(top) {
      feature('obstacle', 'LineString', line([100, -400], [100, 400]), id: 'crest', what: 'ridge', top_ft: top,
                                                                       pass: 'surveyed')
    }
    { 200 => 13 * 200 * FT, 90 => 10 * 90 * FT }.each do |top, reach|
      found = lee('360/10', crest.call(top))

      refute_nil found.at(Complex(100 - reach + 2, 0), 1.0), top.to_s
      assert_nil found.at(Complex(100 - reach - 2, 0), 1.0), top.to_s
    end
  end

  def light(at, *features) = Fujin::Sites::Light.new(site(ground, spot, *features), at && Time.iso8601(at))

  def approach_on(course_deg) =
    Fujin::Sites::Line.new(id: 'x', kind: 'approach', spot: 's', leaves: nil,
                           points: [Fujin::Sites::Plane.step(course_deg) * -100, Complex(0, 0)])

  # On the day of the equinox at 56° N the sun stands 34° up in the south at noon of the sun, twelve minutes and a bit
  # later at 4° W by the clock of Greenwich (16 minutes of longitude, 7 of the year's sun): due south into it, north
  # away.
  def test_the_sun_in_the_eyes
    noon = light('2026-03-20T12:23:00Z', approach([600, 0], [0, 0]))

    assert_in_delta 180.0, noon.sun.azimuth_deg, 0.7
    assert_equal 'note', noon.in_the_eyes(approach_on(180))
    assert_nil noon.in_the_eyes(approach_on(0))
    assert_nil noon.in_the_eyes(approach_on(145))
    evening = light('2026-03-20T17:00:00Z')

    assert_operator evening.sun.elevation_deg, :<, 20
    assert_equal 'glare', evening.in_the_eyes(approach_on(evening.sun.azimuth_deg))
  end

  # As the sun sinks towards a line into it: nothing above 35°, told from there, glare from 20°.
  def test_how_high_a_sun_is_in_the_eyes
    told = (0..600).step(2).map do |minutes|
      now = light((Time.iso8601('2026-06-20T10:00:00Z') + (minutes * 60)).iso8601)
      [now.sun.elevation_deg, now.in_the_eyes(approach_on(now.sun.azimuth_deg))]
    end
    by = told.group_by(&:last).transform_values { |rows| rows.map(&:first).select(&:positive?).minmax }

    assert_in_delta 35.0, by[nil].first, 0.4
    assert_in_delta 20.0, by['note'].first, 0.4
    assert_in_delta 20.0, by['glare'].last, 0.4
  end

  # South at noon in March, 34° up: ahead of a line to the south. At five it stands low in the west.
  def test_a_line_into_the_sun_says_how_bad_it_is
    cautions = ->(at, from) do
      found = report(site(ground, spot, approach(from, [0, 0])), '180/10', at: Time.iso8601(at))
      Fujin::Manoeuvres::Confined::SiteCautions.new(found).of_approach(found.approaches[0])
        .select { |one| one.id == 'sun' }.map { |one| [one.level, Fujin::Text.told(one.text)] }
    end
    ahead = cautions.call('2026-03-20T12:23:00Z', [600, 0])
    low = cautions.call('2026-03-20T17:00:00Z', [0, 600])

    assert_equal [['note', 'The sun stands 34° up ahead.']], ahead
    assert_equal %w[caution], low.map(&:first)
    assert_match(/The sun is in the eyes, \d+° up: wires and tops in front of it are not seen/, low[0][1])
    assert_empty cautions.call('2026-03-20T12:23:00Z', [-600, 0])
  end

  # A tree of 60 ft throws 18.3 m / tan(34°) = 27 m of shadow to the north at that noon.
  def test_a_shadow_lies_as_far_as_the_sun_is_low
    noon = light('2026-03-20T12:23:00Z', tree(-20, 0, 60))
    near, far = [5.0, 12.0].map { |north| noon.shadow_on(Complex(north, 0)) }

    assert_equal 'tree', near
    assert_nil far
  end

  def test_no_time_says_nothing_and_a_night_says_so
    assert_nil light(nil).in_the_eyes(Fujin::Sites::Line.new(id: 'x', kind: 'approach', spot: 's', leaves: nil,
                                                             points: []))
    assert_predicate light('2026-12-21T02:00:00Z'), :night?
    found = report(site(ground, spot, approach, departure), at: Time.iso8601('2026-12-21T02:00:00Z'))

    assert_includes found.cautions.map(&:id), 'night'
  end
end
