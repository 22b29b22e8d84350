# frozen_string_literal: true

require_relative 'test_helper'

# Each caution's number, tried just inside and just outside.
class CautionsTest < Minitest::Test
  Number = Struct.new(:value)

  def cautions(manoeuvre: 'normal_approach', numbers: {}, stage: 'solo', course: 350.0, house: {}, slow: [],
               id: 'tansy-2', **day)
    day[:wind] = Fujin::Wind.parse(day[:wind]) if day[:wind]
    Fujin::Planning::Cautions.new(
      conditions(id, **day), numbers.transform_values { |v| Number.new(v) },
      course_deg: course, stage: stage, declaration: Fujin::Catalogue.find(manoeuvre),
      house: Fujin::Planning::HouseMethod.new(house), slow_headings: slow
    ).all.to_h { |caution| [caution.id, caution] }
  end

  def said?(id, **given) = cautions(**given).key?(id)
  def level(id, **given) = cautions(**given)[id]&.level

  # Wind, gust spread and crosswind by stage, as the house has them.
  { 'early' => [15, 8, 8], 'solo' => [20, 10, 10], 'test' => [25, 12, 12],
    'instructor' => [30, 15, 15] }.each do |stage, (wind, spread, cross)|
    define_method("test_wind_limits_of_stage_#{stage}") do
      refute said?('stage_wind', stage: stage, wind: "350/#{wind}")
      assert_equal 'limit', level('stage_wind', stage: stage, wind: "350/#{wind + 1}")
      refute said?('stage_gust', stage: stage, wind: "350/10G#{wind}")
      assert_equal 'limit', level('stage_gust', stage: stage, wind: "350/10G#{wind + 1}")
      refute said?('stage_gust_spread', stage: stage, wind: "350/5G#{5 + spread}")
      assert_equal 'limit', level('stage_gust_spread', stage: stage, wind: "350/5G#{6 + spread}")
      refute said?('stage_crosswind', stage: stage, wind: "080/#{cross}")
      assert_equal 'limit', level('stage_crosswind', stage: stage, wind: "260/#{cross + 1}")
    end
  end

  def test_a_mass_over_the_type_s
    top = type.fetch('masses_kg.max')

    refute said?('mass', mass_kg: top)
    assert_equal 'limit', level('mass', mass_kg: top + 1)
  end

  def power(available, ige, oge) =
    { 'power_available_kw' => available, 'hover_power_ige_kw' => ige, 'hover_power_oge_kw' => oge }

  # A steep approach needs the hover out of ground effect, a normal one only in it, a run-on none.
  def test_power_to_hover
    assert_nil level('power_oge', numbers: power(80.0, 70.0, 80.0))
    assert_equal 'caution', level('power_oge', numbers: power(79.9, 70.0, 80.0))
    assert_equal 'limit', level('power_oge', manoeuvre: 'steep_approach', numbers: power(79.9, 70.0, 80.0))
    assert_nil level('power_ige', numbers: power(70.0, 70.0, 80.0))
    assert_equal 'limit', level('power_ige', numbers: power(69.9, 70.0, 80.0))
    assert_equal 'caution', level('power_ige', manoeuvre: 'run_on_landing', numbers: power(69.9, 70.0, 80.0))
    assert_equal 'limit', level('power_ige', numbers: power(80.0, nil, nil))
  end

  def test_a_gyroplane_climbs_at_two_hundred_feet_a_minute
    given = { id: 'sorrel-g', manoeuvre: 'gyro_take_off' }

    refute said?('climb', **given, numbers: { 'climb_fpm' => 201.0 })
    assert_equal 'limit', level('climb', **given, numbers: { 'climb_fpm' => 200.0 })
    assert_equal 'limit', level('climb', **given)
  end

  def test_the_house_s_power_margin
    wanted = Fujin::Catalogue.find('steep_approach').least_power_margin_pct
    margin = ->(pct) { { manoeuvre: 'steep_approach', numbers: { 'power_margin_pct' => pct } } }

    refute said?('power_margin', **margin.call(wanted))
    assert_equal 'limit', level('power_margin', **margin.call(wanted - 0.1))
    assert_equal 'limit', level('power_margin', **margin.call(0.0))
    # Less than none is the power to hover, said already.
    refute said?('power_margin', **margin.call(-0.1))
  end

  def test_rotor_rpm_on_the_stop
    refute said?('floor_rpm_low', numbers: { 'rotor_rpm_on_floor_pct' => 100.0 })
    assert said?('floor_rpm_low', numbers: { 'rotor_rpm_on_floor_pct' => 99.9 })
    high = type.power_off_band[1]

    refute said?('floor_rpm_high', numbers: { 'rotor_rpm_on_floor_pct' => high })
    assert said?('floor_rpm_high', numbers: { 'rotor_rpm_on_floor_pct' => high + 0.1 })
  end

  def test_a_rotor_that_falls_within_1_2_seconds_is_more_than_a_note
    given = ->(s) do
      { manoeuvre: 'straight_in_autorotation', numbers: { 'reaction_time_s' => s, 'entry_speed_kt' => 78.0 } }
    end

    assert_equal(%w[caution note], [1.19, 1.2].map { |s| level('reaction', **given.call(s)) })
  end

  def test_a_tailwind_of_one_knot
    refute said?('tailwind', wind: '170/0.9')
    assert said?('tailwind', wind: '170/1.1')
    refute said?('tailwind', wind: '170/9', manoeuvre: 'hover_taxi')
  end

  # For a rotor that turns anticlockwise 120° to 330° from the nose, all sectors together; mirrored for the other.
  def test_the_tail_rotor_s_sectors_from_eight_knots
    slow = [['turning', 0.0]]
    clockwise = Fujin::Aircraft::Library.all.find { |t| t.helicopter? && t.power_on_pedal != type.power_on_pedal }.id

    assert said?('lte', wind: '300/8', slow: slow, id: 'tansy-2')
    refute said?('lte', wind: '300/7', slow: slow, id: 'tansy-2')
    { 119 => false, 121 => true, 211 => true, 329 => true, 331 => false, 0 => false }.each do |from, hit|
      assert_equal hit, said?('lte', wind: format('%03d/12', from), slow: slow), "from #{from}"
      mirrored = format('%03d/12', (360 - from) % 360)
      assert_equal hit, said?('lte', wind: mirrored, slow: slow, id: clockwise), "mirrored, from #{from}"
    end
    refute said?('lte', wind: '300/12', slow: [])
  end

  def ice(oat, dew, **more) = cautions(oat_c: oat, dew_point_c: dew, **more)['carburettor_ice']&.text

  def test_carburettor_ice
    assert_nil ice(-8.0, -9.0)
    assert_match(/likely/, ice(-7.0, -8.0))
    assert_match(/possible/, ice(32.0, 25.0))
    assert_nil ice(33.0, 26.0)
    assert_match(/possible/, ice(15.0, 3.1))
    assert_nil ice(15.0, 3.0)
    assert_match(/likely/, ice(21.9, 16.0))
    assert_match(/possible/, ice(22.0, 17.0))
    assert_match(/possible/, ice(15.0, 9.0))
    assert_nil ice(10.0, 8.0, id: 'yarrow-4')
  end

  # Said once, whatever the manoeuvre prompts.
  def test_carburettor_heat_defers_to_the_flight_manual_once
    Fujin::Catalogue.all.select { |m| m.kinds.include?('helicopter') }.each do |manoeuvre|
      assert_equal 1, ice(12.0, 8.0, manoeuvre: manoeuvre.id).scan('as the flight manual says').size, manoeuvre.id
    end
  end

  def test_ice_on_the_airframe
    assert said?('airframe_ice', oat_c: 0.0, dew_point_c: -1.9)
    refute said?('airframe_ice', oat_c: 0.0, dew_point_c: -2.0)
    refute said?('airframe_ice', oat_c: 0.5, dew_point_c: 0.0)
  end

  def test_a_density_altitude_over_three_thousand_feet
    refute said?('density_altitude', numbers: { 'density_altitude_ft' => 3000.0 })
    assert said?('density_altitude', numbers: { 'density_altitude_ft' => 3001.0 })
  end

  def test_exercises_outside_the_test
    outside = Fujin::Catalogue.all.find(&:outside_test).id
    given = ->(stage, choice) { { manoeuvre: outside, stage: stage, house: { 'outside_test' => choice } } }

    assert_equal 'limit', level('outside_test', **given.call('instructor', 'not_at_all'))
    assert_equal 'caution', level('outside_test', **given.call('solo', 'enrichment'))
    assert_nil level('outside_test', **given.call('test', 'enrichment'))
  end

  def test_what_is_always_said
    assert_includes cautions['training_aid'].text, 'flight manual'
    assert_includes cautions(manoeuvre: 'straight_in_autorotation')['throttle_off'].text, 'qualified instructor'
    refute said?('throttle_off')
    assert_includes cautions(manoeuvre: 'straight_in_autorotation')['gate'].text, 'throttle joined first'
    assert_equal 'A gate missed is a go-around.', cautions['gate'].text
  end
end
