# frozen_string_literal: true

require_relative 'test_helper'

# What holds for any aircraft, wind and place: tried on many, from fixed seeds.
class PropertiesTest < Minitest::Test
  TRIES = 25

  def each_try(seed)
    random = Random.new(seed)
    TRIES.times { yield random }
  end

  def between(random, low, high) = low + (random.rand * (high - low))

  # A type like one that ships, each number of its rotor, airframe and masses a little different.
  def varied_type(random)
    data = YAML.safe_load(YAML.dump(type(%w[tansy-2 bracken-2 yarrow-4].sample(random: random)).data))
    stretch = ->(table, key, by) { data[table][key] = data[table][key] * between(random, 1 - by, 1 + by) }
    %w[radius_m chord_m inertia_kg_m2 cd0].each { |key| stretch.call('rotor', key, 0.05) }
    %w[drag_area_x_m2 drag_area_z_m2].each { |key| stretch.call('airframe', key, 0.1) }
    Fujin::Aircraft::Type.new(data.merge('id' => 'varied'))
  end

  def varied_trim(random, mass: 'dual')
    found = varied_type(random)
    Fujin::Flight::SteadyTrim.new(
      found,
      found.mass_kg(mass),
      Fujin::Atmosphere.new(elevation_m: between(random, 0, 1500))
    )
  end

  def test_power_is_zero_in_autorotation
    each_try(1) do |random|
      model = varied_trim(random)
      speed = between(random, 35, 90)
      sink = model.autorotation_sink_m_s(speed)

      assert_in_delta 0.0, model.at(speed, sink).engine_power_w, 30.0
    end
  end

  def test_more_bank_is_more_sink
    each_try(2) do |random|
      model = varied_trim(random)
      sinks = [0, 15, 30, 45].map { |bank| model.autorotation_sink_m_s(60, bank_deg: bank) }

      assert_equal sinks.sort, sinks
    end
  end

  def test_more_mass_is_more_hover_power_and_more_rotor_rpm_on_the_stop
    each_try(3) do |random|
      found = varied_type(random)
      light, heavy =
        %w[solo dual].map { |load| Fujin::Flight::SteadyTrim.new(found, found.mass_kg(load), Fujin::Atmosphere.new) }

      assert_operator heavy.hover_power_w, :>, light.hover_power_w
      assert_operator heavy.floor_rotor_rpm_pct(60), :>, light.floor_rotor_rpm_pct(60)
    end
  end

  def test_a_headwind_raises_the_flattest_speed_and_steepens_the_path
    each_try(4) do |random|
      model = varied_trim(random)
      speeds, ratios = [0, 10, 20].map { |wind| model.best_glide(headwind_kt: wind) }.transpose

      assert_operator speeds[2], :>, speeds[0]
      assert_equal ratios.sort.reverse, ratios
    end
  end

  def test_ground_effect_helps_and_fades_with_height
    each_try(5) do |random|
      model = varied_trim(random)
      powers = [1.0, 3.0, 8.0, 30.0].map { |height| model.hover_power_w(height_m: height) }

      assert_equal powers.sort, powers
      assert_within model.hover_power_w, powers.last, 0.5
    end
  end

  def test_the_blade_limit_is_undone_exactly
    rotor = trim('tansy-2').rotor
    each_try(6) do |random|
      mu = between(random, 0, 0.3)
      loading = between(random, 0.01, 0.13)

      assert_in_delta loading, rotor.limited(rotor.unlimited(loading, mu), mu), 1e-9
    end
  end

  # Straight down between once and twice its own wash, and slowly forward, momentum has no answer: the fitted curve.
  def test_in_its_own_wash_the_inflow_is_the_fitted_curve
    rotor = trim('bracken-2').rotor
    hover = rotor.hover_induced_velocity(6500.0)
    [[-1.05, 0.1], [-1.5, 0.0], [-1.5, 0.9], [-1.95, 0.05]].each do |down, along|
      curve = down * ((0.373 * (down**2)) + (0.598 * (along**2)) - 1.991) * hover

      assert_in_delta curve, rotor.steady_inflow(down * hover, along * hover, 6500.0), 1e-9, [down, along].inspect
    end
  end

  def test_steady_inflow_solves_its_own_equation
    rotor = trim('bracken-2').rotor
    each_try(7) do |random|
      climb = between(random, -5, 10)
      edge = between(random, 8, 45)
      induced = rotor.steady_inflow(climb, edge, 6500.0)
      hover = rotor.hover_induced_velocity(6500.0)

      assert_in_delta hover**2, induced * Math.sqrt((edge**2) + ((climb + induced)**2)), 1e-5
    end
  end

  def test_positions_there_and_back
    each_try(8) do |random|
      map = Fujin::LocalMap.new(between(random, -70, 70), between(random, -180, 180))
      north = between(random, -8000, 8000)
      east = between(random, -8000, 8000)
      back = map.north_east(*map.lat_lon(north, east))

      assert_in_delta north, back[0], 1e-5
      assert_in_delta east, back[1], 1e-5
    end
  end

  def test_along_and_across_keep_the_distance
    each_try(9) do |random|
      north = between(random, -500, 500)
      east = between(random, -500, 500)
      along, across = Fujin::LocalMap.along_across(north, east, between(random, 0, 360))

      assert_in_delta Math.hypot(north, east), Math.hypot(along, across), 1e-9
    end
  end

  def test_a_wind_and_its_text
    each_try(10) do |random|
      wind = Fujin::Wind.new(from_deg: random.rand(360), speed_kt: random.rand(60))

      assert_equal wind, Fujin::Wind.parse(wind.to_s)
    end
  end

  def test_density_altitude_rises_with_height_and_heat
    each_try(11) do |random|
      height = between(random, 0, 3000)
      warm = Fujin::Atmosphere.standard_temperature_k(height) + between(random, 1, 30)

      assert_operator Fujin::Atmosphere.new(elevation_m: height, temperature_k: warm).density_altitude_m,
                      :>,
                      Fujin::Atmosphere.new(elevation_m: height).density_altitude_m
    end
  end

  def test_verdicts_only_get_worse_away_from_the_target
    rank = { 'polished' => 0, 'in' => 1, 'marginal' => 2, 'out' => 3 }
    band =
      Fujin::Catalogue
        .find('straight_in_autorotation')
        .standard
        .band('glide_ias_mean_kt', 'solo', { 'glide_speed_kt' => 63.0 })
    [-1, 1].each do |side|
      ranks = (0..20).map { |step| rank.fetch(band.verdict(63.0 + (side * step))) }

      assert_equal ranks.sort, ranks
    end
  end

  # The whole way, for types that are not in the project: flown, recorded, found, to standard.
  def test_varied_types_fly_and_grade_clean
    random = Random.new(12)
    6.times do |n|
      found = varied_type(random)
      day =
        Fujin::Planning::Conditions.build(
          type: found,
          people: 'dual',
          wind: Fujin::Wind.new(from_deg: 350, speed_kt: random.rand(14))
        )
      run = Fujin::Manoeuvres::Autorotation::WholeFlight.new(day).run
      graded = grade_csv(Fujin::Flight::Recorder.new(type: found, origin: SPOT, seed: n + 1).csv(run), day: day)

      assert_equal 1, graded.proposals.size
      assert_equal %w[entry glide flare recovery], graded.proposal.attempt.phase_ids
      assert_empty graded.fault_ids - %w[hard_flare], "type #{n}"
      assert_in_delta 0, graded.measure('miss_along_ft'), 120
    end
  end

  def test_polynomial_fits_are_exact_for_polynomials
    xs = [0.0, 1.0, 2.5, 4.0]
    c, b, a = Fujin::Recordings::Smoothing.fit(xs, xs.map { |x| 2.0 - (3.0 * x) + (0.5 * x * x) }, 2)

    assert_in_delta 2.0, c, 1e-9
    assert_in_delta(-3.0, b, 1e-9)
    assert_in_delta 0.5, a, 1e-9
    assert_nil Fujin::Recordings::Smoothing.fit([1.0], [1.0], 1)
  end

  def test_smoothing_keeps_constants_lines_and_gaps
    line = (0..20).map(&:to_f)
    assert_equal line[3..-4], Fujin::Recordings::Smoothing.mean(line, 2)[3..-4]
    gappy = [1.0, Float::NAN, 1.0, 1.0]
    smoothed = Fujin::Recordings::Smoothing.mean(gappy, 1)

    assert_predicate smoothed[1], :nan?
    assert_in_delta 1.0, smoothed[0]
    assert_equal [1.0] * 19, Fujin::Recordings::Smoothing.rate(line, 1.0, 2)[1..-2]
  end

  def test_unwrapped_headings_never_jump
    turned = Fujin::Recordings::Smoothing.unwrap([350.0, 355.0, 2.0, 10.0, 350.0, 340.0])

    assert_equal [350.0, 355.0, 362.0, 370.0, 350.0, 340.0], turned
  end
end
