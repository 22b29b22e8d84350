# frozen_string_literal: true

require_relative 'test_helper'

# Air, wind, ground and numbers against closed forms.
class BasicsTest < Minitest::Test
  def test_standard_atmosphere
    air = Fujin::Atmosphere.new(elevation_m: 1524.0)

    assert_in_delta 84_307, air.pressure_pa, 30
    assert_in_delta 278.24, air.temperature_k, 0.05
    assert_in_delta 1.0555, air.density, 0.001
    assert_in_delta 1524.0, air.density_altitude_m, 1.0
  end

  def test_warm_air_raises_density_altitude
    warm = Fujin::Atmosphere.new(elevation_m: 1524.0, temperature_k: 298.24)

    # 5,000 ft at ISA+20 is a density altitude near 7,250 ft.
    assert_in_delta 7250, warm.density_altitude_m / Q::FT, 80
  end

  def test_low_pressure_raises_pressure_altitude_by_about_thirty_feet_a_hectopascal
    low = Fujin::Atmosphere.new(qnh_pa: 100_325)

    assert_in_delta 10 * 27.5, low.pressure_altitude_m / Q::FT, 10
  end

  def test_wind_components_and_signs
    wind = Fujin::Wind.parse('040/20')

    assert_in_delta 20 * Math.cos(50 * Q::DEG), wind.headwind_kt(350), 1e-9
    assert_operator wind.crosswind_kt(350), :>, 0 # from the right
    assert_in_delta(
      -20 * Math.cos(50 * Q::DEG),
      (wind.vector[0] * Math.cos(350 * Q::DEG) / Q::KT) + (wind.vector[1] * Math.sin(350 * Q::DEG) / Q::KT),
      1e-9
    )
  end

  def test_wind_triangle_closes
    wind = Fujin::Wind.parse('080/15')
    drift = wind.drift_angle_deg(20, 60)
    heading = (20 + drift) * Q::DEG
    north, east = wind.vector
    ground = [(60 * Math.cos(heading)) + (north / Q::KT), (60 * Math.sin(heading)) + (east / Q::KT)]

    assert_in_delta 20, Math.atan2(ground[1], ground[0]) / Q::DEG, 1e-6
    assert_in_delta Math.hypot(*ground), wind.groundspeed_kt(20, 60), 1e-6
  end

  ['', '350', '350/-3', '350/10G5', 'north/10', '350/10kt'].each do |text|
    define_method("test_#{text.inspect}_is_no_wind") do
      error = assert_raises(Fujin::InvalidInput) { Fujin::Wind.parse(text, path: 'wind') }

      assert_equal 'wind', error.problems.first[:path]
      assert_includes error.message, '350/10'
    end
  end

  def test_local_map_there_and_back_and_over_the_date_line
    map = Fujin::LocalMap.new(47.2, 179.999)
    lat, lon = map.lat_lon(1234.5, 987.6)

    assert_operator lon, :<, 0
    north, east = map.north_east(lat, lon)

    assert_in_delta 1234.5, north, 1e-6
    assert_in_delta 987.6, east, 1e-6
    assert_in_delta 1852, Fujin::LocalMap.new(45.0, 0).north_east(45.0 + (1 / 60.0), 0).first, 1.0
  end

  def test_along_is_beyond_the_spot_and_across_is_right_of_the_course
    along, across = Fujin::LocalMap.along_across(0.0, 100.0, 0.0)

    assert_in_delta 0, along, 1e-9
    assert_in_delta 100, across, 1e-9
  end

  def test_angles_wrap
    assert_in_delta 20, Q.wrap_deg(380), 1e-9
    assert_in_delta(-10, Q.wrap_deg(350), 1e-9)
    assert_in_delta 180, Q.wrap_deg(-180), 1e-9
  end

  # A parabola is met by its three nearest steps, wherever they lie; beyond the last step nothing is made up.
  def test_three_steps_of_a_parabola
    parabola = ->(x) { 3.0 + (2.0 * x) - (0.5 * x * x) }
    steps = [-4.0, -1.0, 0.0, 2.0, 5.0]
    met = ->(x) { Fujin::Lagrange.weights(steps, x).sum { |i, weight| weight * parabola.call(steps[i]) } }

    [-4.0, -2.5, -0.5, 0.0, 1.0, 3.0, 5.0].each { |x| assert_in_delta parabola.call(x), met.call(x), 1e-12, x }
    assert_in_delta parabola.call(5.0), met.call(7.0), 1e-12
  end

  # y = 2 p - 3 q through three samples; of samples along one line a and b are not told apart, however large or small.
  def test_a_fit_of_two_terms
    fit = ->(size, *pairs) {
      pairs.each_with_object(Fujin::TwoTermFit.new) do |(p, q), sums|
        sums.take(size * p, size * q, size * ((2.0 * p) - (3.0 * q)), 0.3)
      end
    }
    [1e-4, 1.0, 1e4].each do |size|
      found = fit.call(size, [1.0, 0.5], [2.0, -1.0], [0.3, 4.0])

      [2.0, -3.0].zip(found.coefficients || []).each { |expected, value| assert_in_delta expected, value.to_f, 1e-9 }
      assert_in_delta 0.0, found.misfit(2.0, -3.0) / (size**2), 1e-9
      assert_nil fit.call(size, *[0.1, 0.7, 1.3, 0.77].map { |x| [x, 3.3 * x] }).coefficients, size
    end
  end

  def test_roots_and_minima
    assert_in_delta Math.sqrt(2), Fujin::Roots.find(0.0, 2.0) { |x| (x * x) - 2 }, 1e-5
    assert_in_delta 3.0, Fujin::Roots.minimum(0.0, 10.0) { |x| (x - 3)**2 }.first, 1e-2
    assert_raises(Fujin::OutsideModel) { Fujin::Roots.find(1.0, 2.0, what: 'answer', &:itself) }
  end

  def test_values_are_frozen_and_refuse_unknown_or_missing_fields
    point = Fujin::Value.define(:x, :y)

    assert_predicate point.new(x: 1, y: 2), :frozen?
    assert_raises(ArgumentError) { point.new(x: 1) }
    assert_raises(ArgumentError) { point.new(x: 1, y: 2, z: 3) }
    assert_equal 5, point.new(x: 1, y: 2).with(y: 5).y
  end
end
