# frozen_string_literal: true

require_relative 'test_helper'

# The plan's numbers, re-derived by hand where a hand can.
class PlanningTest < Minitest::Test
  def plan(id = 'tansy-2', house: {}, course: nil, height: 1000.0, rotor: nil, stage: 'solo', **day)
    Fujin::Manoeuvres::Autorotation::StraightInPlan.new(
      conditions(id, **day),
      Fujin::Planning::HouseMethod.new(house),
      course_deg: course,
      height_ft: height,
      settings: { 'glide_rotor_rpm_pct' => rotor }.compact,
      stage: stage
    ).plan
  end

  def wind(text) = Fujin::Wind.parse(text)

  def test_numbers_that_the_reference_knows
    found = plan

    {
      'min_sink_fpm' => 1424,
      'best_glide_ratio' => 4.28,
      'hover_power_oge_kw' => 79.6,
      'hover_power_ige_kw' => 75.8,
      'rotor_decay_to_80_s' => 1.54
    }.each { |name, value| assert_within value, found.value(name), 2, name }
    assert_in_delta 8.0, found.value('power_margin_pct'), 0.2
    assert_in_delta 0.0, found.value('density_altitude_ft'), 1
  end

  def test_every_number_of_the_contract_is_there_with_its_unit
    numbers = plan(house: { 'ending' => 'touchdown' }).numbers
    wanted = %w[
      density_altitude_ft mass_kg induced_velocity_m_s hover_power_oge_kw hover_power_ige_kw power_available_kw
      power_margin_pct min_sink_fpm min_sink_speed_kt best_glide_ratio best_glide_speed_kt glide_speed_kt
      glide_sink_fpm glide_ratio ground_glide_ratio rotor_rpm_on_floor_pct rotor_decay_to_90_s rotor_decay_to_80_s
      entry_distance_ft entry_height_ft gate_height_ft flare_height_ft touchdown_groundspeed_kt slide_ft
      drift_angle_deg groundspeed_kt
    ]

    assert_empty wanted - numbers.keys
    wanted.each { |name| assert_equal Fujin::Glossary.number(name).unit, numbers[name].unit, name }
  end

  def test_glide_over_the_ground_by_hand
    found = plan(wind: wind('350/10'))
    speed = found.value('glide_speed_kt') * Q::KT
    sink = found.value('glide_sink_fpm') * Q::FPM

    assert_in_delta speed / sink, found.value('glide_ratio'), 1e-6
    assert_in_delta (speed - (10 * Q::KT)) / sink, found.value('ground_glide_ratio'), 1e-6
  end

  def test_gate_height_by_hand_and_never_under_the_house_minimum
    found = plan
    by_hand = 72 + (found.value('glide_sink_fpm') / 60.0 * (0.7 + 0.5 + 0.25))

    assert_in_delta by_hand, found.value('gate_height_ft'), 0.01
    assert_in_delta 150.0, plan(house: { 'gate_minimum_ft' => 150 }).value('gate_height_ft')
  end

  def test_a_headwind_brings_the_entry_nearer_by_wind_times_time
    calm = plan(course: 350.0)
    windy = plan(course: 350.0, wind: wind('350/10'))
    time = calm.path.last.t_s

    assert_in_delta calm.value('entry_distance_ft') - (10 * Q::KT * time / Q::FT), windy.value('entry_distance_ft'), 60
  end

  def test_the_planned_distance_is_what_the_pilot_flies
    found = fly
    contact = fly(ending: 'touchdown')

    assert_operator found.measure('miss_along_ft').abs, :<, 80
    assert_operator contact.measure('miss_along_ft').abs, :<, 80
  end

  def test_more_height_is_more_distance_at_the_ground_glide_ratio
    low = plan(wind: wind('350/10'))
    high = plan(wind: wind('350/10'), height: 1500.0)

    assert_in_delta 500 * low.value('ground_glide_ratio'),
                    high.value('entry_distance_ft') - low.value('entry_distance_ft'),
                    1.0
  end

  def test_solo_takes_the_rotor_rpm_that_the_stop_gives
    found = plan(people: 'solo')

    assert_in_delta found.value('rotor_rpm_on_floor_pct'), found.value('target_rotor_rpm_pct'), 1e-6
    assert_in_delta 96.0, found.value('target_rotor_rpm_pct'), 1
    assert(found.cautions.any? { |c| c.id == 'floor_rpm_low' })
  end

  def test_the_path_ends_at_the_spot_and_passes_the_gate
    found = plan(wind: wind('350/10'))
    gate = found.gates.first

    assert_in_delta 0.0, found.path.last.along_ft, 1e-6
    assert_in_delta 1000, found.path.first.height_ft, 1e-6
    assert_operator gate.along_ft, :<, 0
    found.path.each_cons(2) { |a, b| assert_operator b.t_s, :>, a.t_s }
  end

  def test_the_glide_reach_ahead_is_the_entry_distance
    found = plan(wind: wind('350/10'))
    ahead = found.reaches.find { |r| r.option == 'glide' }.points.map(&:first).max

    assert_in_delta 0.0, ahead, 3.0
  end

  def test_uncertainty_holds_the_value_and_grows_with_height
    found = plan.numbers['entry_distance_ft']
    higher = plan(height: 2000.0).numbers['entry_distance_ft']

    assert_operator found.low, :<, found.value
    assert_operator found.high, :>, found.value
    assert_operator higher.high - higher.low, :>, found.high - found.low
  end

  def test_house_choices_change_the_plan
    assert_operator plan(house: { 'glide_speed' => 'minimum_sink' }).value('glide_speed_kt'), :<, 50
    assert_in_delta 70, plan(house: { 'glide_speed' => 'fast' }).value('glide_speed_kt')
    assert_in_delta 63, plan(house: { 'entry' => 'standard' }).value('entry_speed_kt')
    assert_nil plan.numbers['slide_ft']
  end

  # A school that flies faster says by how much; what the type does not allow is capped and said. At such a speed the
  # blades stall at rotor speeds that carry slower flight: the floor is still found, the collective on its stop there.
  def test_a_fast_glide_by_as_much_as_the_school_says
    fast = ->(by) { plan(house: { 'glide_speed' => 'fast', 'glide_fast_by_kt' => by }) }

    assert_in_delta 63.0 + 18.0, fast.call(18).value('glide_speed_kt'), 0.01
    capped = fast.call(30)

    assert_in_delta 85.0, capped.value('glide_speed_kt'), 0.5
    assert_includes capped.cautions.map(&:id), 'never_exceed'
    trim = conditions.trim
    floor = trim.floor_rotor_rpm_pct(85.0)
    sink = trim.autorotation_sink_m_s(85.0, rotor_pct: floor)

    assert_in_delta trim.rotor.collective_min, trim.at(85.0, sink, rotor_pct: floor).collective_rad, 1e-4
    assert_operator floor, :>, 90.0
  end

  def test_the_rotor_rpm_can_be_chosen_but_not_above_what_the_stop_gives
    assert_operator plan(rotor: 95.0).value('glide_sink_fpm'), :<, plan.value('glide_sink_fpm')
    assert_raises(Fujin::InvalidInput) { plan(rotor: 108.0) }
  end

  def test_limits_of_the_day_say_which_number_and_by_how_much
    found = plan(wind: wind('080/22G34'), course: 350.0)
    texts = found.cautions.select { |c| c.level == 'limit' }.map(&:text).join

    assert_includes texts, 'Gust spread 12 kt, limit 10 kt'
    assert_includes texts, 'Crosswind 22 kt, limit 10 kt'
    assert_equal 'limit', found.cautions.first.level
  end

  def test_no_hover_power_is_a_limit
    found = plan(elevation_ft: 5000, oat_c: 25.1)

    assert_includes found.cautions.find { |c|
      c.id == 'power_ige'
    }.text, '79.3 kW needed, 77.8 available: no hover today'
  end

  def test_tail_wind_lte_and_ice
    cautions = ->(**options) { plan('tansy-2', **options).cautions.map(&:id) }

    assert_includes cautions.call(wind: wind('170/10'), course: 350.0), 'tailwind'
    assert_includes cautions.call(wind: wind('290/12'), course: 350.0), 'lte'
    refute_includes cautions.call(wind: wind('350/12'), course: 350.0), 'lte'
    assert_includes cautions.call(oat_c: 10, dew_point_c: 7), 'carburettor_ice'
    refute_includes plan('bracken-2', oat_c: 10, dew_point_c: 7).cautions.map(&:id), 'carburettor_ice'
  end

  def test_lte_sectors_swap_with_the_rotor
    tansy = plan('tansy-2', wind: wind('050/12'), course: 350.0).cautions.map(&:id)
    bracken = plan('bracken-2', wind: wind('050/12'), course: 350.0).cautions.map(&:id)

    refute_includes tansy, 'lte'
    assert_includes bracken, 'lte'
  end

  def test_the_standing_cautions_are_always_there
    assert_empty %w[training_aid throttle_off gate] - plan.cautions.map(&:id)
  end

  {
    'an entry too low' => {
      height: 150.0
    },
    'a mass below empty' => {
      mass_kg: 200
    },
    'a pressure of nothing' => {
      qnh_hpa: 0
    },
    'heat of a furnace' => {
      oat_c: 300
    },
    'a mass of NaN' => {
      mass_kg: Float::NAN
    }
  }.each do |what, fields|
    define_method("test_#{what.tr(' ', '_')}_is_refused_by_field") do
      error = assert_raises(Fujin::InvalidInput) { plan(**fields) }

      assert_includes error.message, fields.keys.first == :height ? 'height_ft' : fields.keys.first.to_s
    end
  end

  def test_hostile_days_give_numbers_or_reasons_never_nonsense
    [
      { wind: wind('350/60') },
      { wind: wind('170/60') },
      { wind: wind('080/60') },
      { elevation_ft: 12_000 },
      { elevation_ft: 14_000, oat_c: 40 },
      { oat_c: -45 },
      { mass_kg: 362 },
      { mass_kg: 700 }
    ].each do |day|
      found = plan(course: 350.0, **day)
      found.numbers.each do |name, number|
        if number.value.nil?
          refute_empty(number.reason, name)
        else
          assert_predicate(number.value, :finite?, "#{name} #{day}")
        end
      end
    rescue Fujin::OutsideModel => e
      refute_empty e.message
    end
  end

  def test_house_settings_are_checked_by_name_and_range
    assert_includes assert_raises(Fujin::UnknownName) { Fujin::Planning::HouseMethod.new('gate' => 1) }.message,
                    'gate_minimum_ft'
    assert_equal 'ending',
                 assert_raises(Fujin::InvalidInput) {
                   Fujin::Planning::HouseMethod.new('ending' => 'crash')
                 }.problems.first[
                   :path
                 ]
    assert_raises(Fujin::InvalidInput) { Fujin::Planning::HouseMethod.new('gate_minimum_ft' => 10) }
    assert_raises(Fujin::InvalidInput) { Fujin::Planning::HouseMethod.new('gate_minimum_ft' => 'high') }
  end
end
