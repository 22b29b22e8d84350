# frozen_string_literal: true

require_relative 'test_helper'

# The sun against what anyone can check: solstices, equinoxes, the poles, noon.
class SunTest < Minitest::Test
  def sun(time, lat, lon) = Fujin::Sun.new(time, lat, lon)

  def test_overhead_at_the_tropic_on_the_solstice
    noon = sun(Time.utc(2026, 6, 21, 12, 2), 23.43, 0.0)

    assert_in_delta 90.0, noon.elevation_deg, 0.3
  end

  def test_height_at_noon_is_the_colatitude_on_the_equinox
    noon = sun(Time.utc(2026, 3, 20, 12, 7), 47.0, 0.0)

    assert_in_delta 43.0, noon.elevation_deg, 0.3
    assert_in_delta 180.0, noon.azimuth_deg, 1.0
  end

  def test_rises_due_east_and_sets_due_west_on_the_equinox
    rise, set = Fujin::Sun.rise_and_set(Date.new(2026, 3, 20), 47.0, 0.0)

    assert_in_delta 90.0, sun(rise, 47.0, 0.0).azimuth_deg, 1.5
    assert_in_delta 270.0, sun(set, 47.0, 0.0).azimuth_deg, 1.5
    assert_in_delta 12.15, (set - rise) / 3600.0, 0.1
  end

  # A second way: the anomaly from the ellipse itself (Kepler's equation, an eccentricity of 0.01671, the perihelion at
  # 282.94°) instead of the almanac's two terms. In the middle of February both terms count.
  def test_the_suns_way_is_an_ellipse
    [[1, 14], [2, 14], [5, 20], [8, 18], [11, 20]].each do |month, day|
      at = Time.utc(2026, month, day, 9)
      days = (at - Time.utc(2000, 1, 1, 12)) / 86_400.0
      mean = (357.528 + (0.9856003 * days)) * Math::PI / 180
      round = 8.times.inject(mean) { |found, _| mean + (0.01671 * Math.sin(found)) }
      anomaly = 2.0 * Math.atan(Math.sqrt(1.01671 / 0.98329) * Math.tan(round / 2.0))
      east = anomaly + ((282.938 + (0.0000471 * days)) * Math::PI / 180)
      tilt = 23.436 * Math::PI / 180
      right = Math.atan2(Math.cos(tilt) * Math.sin(east), Math.cos(east))
      # At the place over which the sun stands.
      lat = Math.asin(Math.sin(tilt) * Math.sin(east)) * 180 / Math::PI
      lon = (right * 180 / Math::PI) - ((280.46062 + (360.98564737 * days)) % 360.0)

      assert_operator sun(at, lat, lon).elevation_deg, :>, 89.985, "#{day}.#{month}."
    end
  end

  def test_no_rise_in_the_polar_night_and_no_set_in_the_polar_day
    assert_nil Fujin::Sun.rise_and_set(Date.new(2026, 12, 21), 80.0, 10.0)
    assert_nil Fujin::Sun.rise_and_set(Date.new(2026, 6, 21), 80.0, 10.0)
  end

  def test_the_far_side_of_the_world_has_its_own_noon
    rise, set = Fujin::Sun.rise_and_set(Date.new(2026, 11, 25), 47.21, -151.33)
    middle = rise + ((set - rise) / 2)

    assert_in_delta 22.0 - 0.15, middle.hour + (middle.min / 60.0), 0.4
    assert_in_delta 180.0, sun(middle, 47.21, -151.33).azimuth_deg, 1.5
  end

  # cos H = (sin −0.83° − sin φ sin δ) / (cos φ cos δ) with φ 64°, δ −23.44°: H = 31.5°, 4.2 h of daylight.
  def test_a_short_day_far_from_greenwich_is_found
    [170.0, -170.0, 15.0].each do |lon|
      rise, set = Fujin::Sun.rise_and_set(Date.new(2026, 12, 21), 64.0, lon)

      assert_in_delta 4.2, (set - rise) / 3600.0, 0.15, lon.to_s
    end
  end

  def test_glare_is_a_low_sun_ahead
    evening = sun(Time.utc(2026, 3, 20, 17, 0), 47.0, 0.0)

    assert evening.in_the_eyes?(260.0)
    refute evening.in_the_eyes?(90.0)
    refute sun(Time.utc(2026, 6, 21, 12), 23.4, 0.0).in_the_eyes?(180.0)
    refute sun(Time.utc(2026, 3, 20, 23), 47.0, 0.0).in_the_eyes?(0.0)
  end

  # Every minute of the day, from where the sun stood lowest.
  def test_it_rises_and_sets_where_a_look_at_every_minute_finds_it
    [[2, 51.5, 7.0], [80, -33.9, 151.2], [172, 64.0, -150.0], [264, 0.0, 100.0], [355, 47.2, -14.3]].each do |day, *at|
      date = Date.new(2026, 1, 1) + day
      start = Time.utc(date.year, date.month, date.day) - (at.last / 15.0 * 3600.0)
      up = (0..1440).select { |minute| Fujin::Sun.new(start + (minute * 60), *at).up? }
      rise, set = Fujin::Sun.rise_and_set(date, *at)

      assert_equal [start + (up.first * 60), start + (up.last * 60)], [rise, set], at.inspect
    end
  end
end
