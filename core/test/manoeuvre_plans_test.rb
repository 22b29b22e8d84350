# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'

# Every manoeuvre's plan: what each must have, and numbers that a hand can work out again.
class ManoeuvrePlansTest < Minitest::Test
  include PlanHelp

  Fujin::Catalogue.all.each do |manoeuvre|
    define_method("test_#{manoeuvre.id}_has_numbers_with_reasons_a_set_up_a_path_and_cautions") do
      types_for(manoeuvre).each do |id|
        found = plan(manoeuvre.id, type: id, wind: '350/10')

        assert_equal manoeuvre.id, found.manoeuvre
        found.numbers.each do |name, number|
          refute_empty Fujin::Glossary.number(name, id).why, name
          if number.value.nil?
            refute_empty(number.reason, name)
          else
            assert_predicate(number.value.to_f, :finite?, "#{id} #{name}")
          end
        end
        refute_empty found.path
        refute_empty found.setup.text
        assert_includes found.cautions.map(&:id), 'training_aid'
        # A number on the gauge is there in the unit that the aircraft's gauge has.
        others = manoeuvre.key_numbers.grep(/_(inhg|torque_pct)\z|\Ahover_power_pct\z/)
        assert_empty manoeuvre.key_numbers - found.numbers.keys - others, id
        assert_equal others.size / 2, (others & found.numbers.keys).size, id
        found.path.each_cons(2) { |a, b| assert_operator b.t_s, :>=, a.t_s, id }
      end
    end

    define_method("test_#{manoeuvre.id}_on_hostile_days_answers_or_says_why") do
      types_for(manoeuvre).each do |id|
        [
          { wind: '350/60' },
          { wind: '080/60', course: 350.0 },
          { elevation_ft: 12_000 },
          { elevation_ft: 9000, oat_c: 35 },
          { oat_c: -40 }
        ].each do |day|
          found = plan(manoeuvre.id, type: id, **day)
          found.numbers.each do |name, number|
            if number.value.nil?
              refute_empty(number.reason.to_s, name)
            else
              assert_predicate(number.value.to_f, :finite?, "#{id} #{name} #{day}")
            end
          end
          found.path.each { |p| assert_predicate p.along_ft, :finite? }
        rescue Fujin::OutsideModel, Fujin::InvalidInput => e
          refute_empty e.message
        end
      end
    end
  end

  def test_each_kind_of_aircraft_flies_its_own
    assert_includes assert_raises(Fujin::OutsideModel) { plan('gyro_landing') }.message, 'not flown in a helicopter'
    assert_includes assert_raises(Fujin::OutsideModel) { plan('hover', type: 'sorrel-g') }.message,
                    'not flown in a gyroplane'
  end

  def test_settings_are_checked_by_name_and_range
    assert_raises(Fujin::UnknownName) { plan('hover', settings: { 'bank_deg' => 20 }) }
    assert_equal 'bank_deg',
                 assert_raises(Fujin::InvalidInput) {
                   plan('turning_autorotation', settings: { 'bank_deg' => 80 })
                 }.problems.first[
                   :path
                 ]
    assert_raises(Fujin::InvalidInput) { plan('run_on_landing', settings: { 'surface' => 'ice' }) }
  end

  # Approaches

  def test_approach_angle_and_sink_by_hand
    found = plan('normal_approach', wind: '350/10')
    start = found.path.first
    ground = (63 - 10) * Q::KT

    assert_in_delta ground * Math.tan(10 * Q::DEG) / Q::FPM, start.sink_fpm, 0.5
    assert_in_delta (500 - 4) / Math.tan(10 * Q::DEG), found.value('entry_distance_ft'), 0.5
  end

  def test_the_steep_approach_keeps_to_the_sink_it_is_allowed
    %w[curve flat].each do |limit|
      found = plan('steep_approach', house: { 'sink_limit' => limit })
      house = found.house

      found.path.each do |p|
        assert_operator p.sink_fpm, :<=, house.sink_allowed_fpm(p.ias_kt) + 1e-6, "#{limit} at #{p.ias_kt}"
      end
    end
    assert_includes text_of(plan('steep_approach', settings: { 'approach_angle_deg' => 17 }), 'too_steep'), 'by 2.0°'
  end

  def test_vortex_ring_onset_of_the_reference
    assert_within 608, plan('steep_approach').value('vortex_ring_sink_fpm'), 2
  end

  def test_run_on_by_hand
    found = plan('run_on_landing', wind: '350/5', settings: { 'power_limit_pct' => 85 })

    assert_in_delta 12.8, found.value('lowest_level_speed_kt'), 0.3
    assert_in_delta 13.8, found.value('lowest_level_speed_oge_kt'), 0.3
    # Translational lift where the way through the air is 1.3 times the hover's induced velocity: 6.86 m/s, so 17.3 kt.
    assert_in_delta 1.3 * 6.86 / Q::KT, found.value('touchdown_ias_kt'), 0.1
    assert_in_delta found.value('touchdown_ias_kt') - 5, found.value('touchdown_groundspeed_kt'), 0.01
    assert_in_delta found.value('touchdown_ias_kt') - found.value('lowest_level_speed_kt'),
                    found.value('cap_margin_kt'), 1e-6
    assert_nil found.numbers['final_pull_kw']
    assert_in_delta ((found.value('touchdown_groundspeed_kt') * Q::KT)**2) / (2 * 0.35 * Q::G) / Q::FT,
                    found.value('slide_ft'),
                    0.01
    wet = plan('run_on_landing', wind: '350/5', settings: { 'surface' => 'wet_grass' })

    assert_operator wet.value('slide_ft'), :>, found.value('slide_ft')
  end

  def test_a_cap_that_hovers_is_said
    assert_includes text_of(plan('run_on_landing', settings: { 'power_limit_pct' => 100 }), 'cap_hovers'), 'also hovers'
  end

  # Departures, circuit, ground reference

  def test_take_off_needs_the_power_it_has
    assert_operator plan('maximum_performance_take_off', people: 'solo').value('climb_angle_deg'),
                    :>,
                    plan('maximum_performance_take_off').value('climb_angle_deg')
    assert_raises(Fujin::OutsideModel) { plan('hover_power_take_off', elevation_ft: 5000, oat_c: 25.1) }
  end

  def test_power_margin_says_what_is_wanted
    text = text_of(plan('maximum_performance_take_off', mass_kg: 600), 'power_margin')

    assert_match(
      /Power margin \d\.\d % out of ground effect, 5 % wanted/,
      text
    )
  end

  def test_circuit_legs_by_the_wind_triangle
    found = plan('circuit', wind: '300/12', course: 270.0)
    leg = row(found, 'legs', 'downwind')
    drift = Math.asin(12 * Math.sin((300 - 90) * Q::DEG) / 78) / Q::DEG

    assert_in_delta 90 + drift, leg[1], 0.05
    assert_in_delta (78 * Math.cos(drift * Q::DEG)) - (12 * Math.cos((300 - 90) * Q::DEG)), leg[3], 0.05
    assert_in_delta 0.0, found.path.last.along_ft, 1e-6
    assert_in_delta 0.0, found.path.last.height_ft, 1e-6
  end

  def test_bank_round_a_point_by_hand
    found = plan('turn_about_a_point', wind: '000/15', settings: { 'radius_ft' => 800 })
    ground = (78 + 15) * Q::KT

    assert_in_delta Math.atan2(ground**2, Q::G * 800 * Q::FT) / Q::DEG, found.value('bank_deg'), 0.01
    assert_in_delta Math.atan2(((78 - 15) * Q::KT)**2, Q::G * 800 * Q::FT) / Q::DEG, found.value('least_bank_deg'), 0.01
    checks = found.tables.find { |t| t.id == 'check_points' }.rows

    assert_equal 4, checks.size
    assert_operator checks[0][5], :>, checks[2][5]
  end

  # The bank's formula, against a heading integrated round the circle with that bank.
  def test_the_bank_formula_keeps_the_radius
    found = plan('turn_about_a_point', wind: '000/15', settings: { 'radius_ft' => 800, 'turn_side' => 'right' })
    centre = 800.0 * Q::FT
    radii = found.path.map { |p| Math.hypot(p.along_ft * Q::FT, p.across_ft * Q::FT) }

    radii.each { |r| assert_within centre, r, 1 }
    wind = Fujin::Wind.parse('000/15')
    air = 78 * Q::KT
    track = 90.0
    dt = 0.01
    ground = wind.groundspeed_kt(track, 78) * Q::KT
    drift = wind.drift_angle_deg(track, 78)
    bank = Math.atan2(ground**2, Q::G * centre * Math.cos(drift * Q::DEG))
    heading = track + drift + (Q::G * Math.tan(bank) / air * dt / Q::DEG)
    north = (air * Math.cos(heading * Q::DEG)) + wind.vector[0]
    east = (air * Math.sin(heading * Q::DEG)) + wind.vector[1]
    turned = (Math.atan2(east, north) / Q::DEG) - track

    assert_within ground / centre * dt / Q::DEG, turned, 1
  end

  def test_corners_of_a_rectangle_add_up_to_a_turn
    found = plan('rectangle', wind: '020/12')
    corners = found.tables.first.rows.map { |r| r[5] }

    assert_in_delta 360.0, corners.sum, 1e-6
    assert_operator corners.max, :>, 90
  end

  def test_the_set_up_gate_of_a_circuit_lies_on_its_path_and_its_steady_stretch_ends_at_the_base_turn
    found = plan('circuit', wind: '350/8')
    gate = found.gates.first
    nearest = found.path.map do |p|
      Math.hypot(p.along_ft - gate.along_ft, p.across_ft) + (p.height_ft - gate.height_ft).abs
    end

    assert_operator nearest.min, :<, 25
    assert_in_delta found.value('set_up_height_ft'), gate.height_ft, 1e-6
    base_turn = found.path.select { |p| p.phase == :downwind }.map(&:along_ft).min

    assert_operator found.setup.start_along_ft, :>, base_turn
  end

  # Thirty degrees at the greatest ground speed, whatever the aircraft's cruise: R = v²/(g·tan 30°).
  def test_a_rectangle_of_the_house_s_own_size_asks_for_thirty_degrees_at_most
    %w[tansy-2 yarrow-4].product(%w[350/0 350/15]).each do |id, wind|
      assert_operator plan('rectangle', type: id, wind: wind).value('bank_deg'), :<, 30.5, "#{id} #{wind}"
    end
  end

  def test_a_cap_that_asks_for_more_than_translational_lift_gets_it_with_three_knots_over
    found = plan('run_on_landing', wind: '350/0', settings: { 'power_limit_pct' => 70 })

    assert_in_delta found.value('lowest_level_speed_kt') + 3, found.value('touchdown_ias_kt'), 1e-6
    assert_operator found.value('cap_margin_inhg'), :>, 0
    assert_match(/under 5 it is no run-on/, text_of(plan('run_on_landing', wind: '350/18'), 'no_run_on'))
  end

  # Power decides a maximum-performance take-off: by hand, 10 ft straight up and then the spare power shared between a
  # disc tilted 6° and the climb, so three times the margin clears fifty feet in a fraction of the way.
  def test_power_decides_how_far_a_maximum_performance_take_off_needs
    tight = plan('maximum_performance_take_off', wind: '350/0')
    ample = plan('maximum_performance_take_off', type: 'yarrow-4', wind: '350/0')

    assert_operator tight.value('obstacle_distance_ft'), :>, 3 * ample.value('obstacle_distance_ft')
    [tight, ample].each do |found|
      by_path = found.path.find { |p| p.height_ft >= 50 }

      assert_in_delta Math.atan2(by_path.height_ft - 4.0, by_path.along_ft) / Q::DEG, found.value('climb_angle_deg'),
                      0.1
      assert_operator found.value('climb_angle_deg'), :>, 8
    end
  end

  def test_a_take_off_at_hover_power_moves_off_in_calm
    path = plan('hover_power_take_off', wind: '350/0').path

    assert_operator path.find { |p| p.ias_kt >= 5 }.t_s, :<, 8
    assert_operator path.map(&:height_ft).min, :>, 1.0
  end

  def test_the_flat_sink_limit_is_held_past_the_decision_and_what_fits_is_said
    found = plan('steep_approach', wind: '350/0', house: { 'sink_limit' => 'flat' })

    assert_operator found.value('entry_speed_kt'), :>, 44
    assert_operator found.value('decision_height_ft'), :>, 250
    # 300 ft/min at just under 30 kt, less the plan's twentieth: atan(285 / (30·101.3)) is 5.4°.
    assert_match(/All the way within it: 5\.4°, or 13\.5° with 18 kt of headwind/, text_of(found, 'angle_not_held'))
    assert_raises(Fujin::OutsideModel) { plan('steep_approach', wind: '170/30', course: 350.0) }
  end

  def test_a_decision_is_never_under_the_lowest_gate_and_its_target_lies_in_its_band
    %w[normal_approach steep_approach run_on_landing].product(%w[350/35 350/0 170/4]).each do |kind, wind|
      plan(kind, wind: wind, course: 350.0).gates.each do |gate|
        assert_operator gate.height_ft, :>=, 95, "#{kind} #{wind} #{gate.id}" if gate.id == 'decision'
        gate.measures.each_value { |m| assert_includes m[:low]..m[:high], m[:target], "#{kind} #{wind} #{gate.id}" }
      end
    end
  end

  # Through the air the way is the true airspeed's: at 5,000 ft and 25 °C a tenth more than the dial's.
  def test_the_angle_through_the_air_is_the_true_one
    still = plan('normal_approach', wind: '350/0', elevation_ft: 5000.0, oat_c: 25.0)

    assert_in_delta still.value('approach_angle_deg'), still.value('air_angle_deg'), 0.05
  end

  # Gyroplane

  def test_prerotation_at_the_hold_and_a_slow_rotor_are_limits
    at_hold = plan('gyro_take_off', type: 'sorrel-g', house: { 'prerotation_at' => 'hold' })

    assert_includes text_of(at_hold, 'prerotation'), '8 points short'
    slow = plan('gyro_take_off', type: 'sorrel-g', settings: { 'prerotation_pct' => 25 })

    assert_includes text_of(slow, 'abandoned'), 'blade flapping'
    assert_nil slow.value('roll_ft')
  end

  def test_gyro_ladder_turns_round_with_the_house
    first = ->(choice) do
      plan('gyro_landing', type: 'sorrel-g', stage: 'early', house: { 'gyro_landings' => choice }).value(
        'power_share_pct'
      )
    end

    assert_in_delta 45, first.call('power_first')
    assert_in_delta 0, first.call('power_off_early')
  end

  def test_solo_is_lighter_everywhere
    table = plan('gyro_landing', type: 'sorrel-g').tables.find { |t| t.id == 'solo_dual' }
    climb = table.rows.find { |r| r[0].start_with?('Climb') }
    rotor = table.rows.find { |r| r[0].start_with?('Rotor') }

    assert_operator climb[1], :>, climb[2]
    assert_operator rotor[1], :<, rotor[2]
  end

  # House method: every choice of it changes a plan.
  CHANGES = {
    'entry' => %w[straight_in_autorotation standard],
    'glide_speed' => %w[straight_in_autorotation fast],
    'flare_cue' => %w[straight_in_autorotation sight_picture],
    'flare_shape' => %w[straight_in_autorotation growing],
    'throttle_by' => %w[straight_in_autorotation student],
    'throttle_position' => %w[straight_in_autorotation idle],
    'ending' => %w[straight_in_autorotation recovery_run],
    'turn_out' => %w[turning_autorotation real],
    'turn_entry' => %w[turning_autorotation established],
    'hovering_ladder' => %w[hovering_autorotation sudden],
    'steep_ending' => %w[steep_approach surface],
    'sink_limit' => %w[steep_approach flat],
    'hold_30_kt' => %w[steep_approach long],
    'approach_speed' => %w[normal_approach late],
    'vortex_escape' => %w[steep_approach sideways],
    'collective_hand' => %w[straight_in_autorotation friction],
    'gyro_landings' => %w[gyro_landing power_off_early sorrel-g],
    'prerotation_at' => %w[gyro_take_off hold sorrel-g],
    'gyro_taxi' => %w[gyro_take_off turning sorrel-g],
    'power_check' => %w[hover in_flight],
    'outside_test' => %w[energy_drill not_at_all]
  }.freeze

  def test_the_list_of_choices_is_complete
    choices = Fujin::Planning::HouseMethod::SETTINGS.select { |s| s.allowed.is_a?(Array) }.map(&:name)

    assert_equal choices.sort, CHANGES.keys.sort
  end

  CHANGES.each do |name, (manoeuvre, value, id)|
    define_method("test_house_choice_#{name}_changes_the_plan") do
      day = { type: id || 'tansy-2', stage: 'early', wind: '350/10' }
      shape = ->(p) do
        [
          p.numbers.transform_values(&:value),
          p.gates.map(&:to_h),
          p.path.size,
          p.setup&.text,
          p.tables.map(&:rows),
          p.cautions.map(&:text)
        ]
      end

      refute_equal shape.call(plan(manoeuvre, **day)), shape.call(plan(manoeuvre, **day, house: { name => value }))
    end
  end

  # Reversed rotor

  def test_everything_with_a_side_swaps_with_the_rotor
    data = YAML.safe_load_file(File.join(Fujin::Aircraft::Library::FOLDER, 'tansy-2.yml'))
    mirrored = Fujin::Aircraft::Type.new(data.merge('rotor' => data['rotor'].merge('rotation' => 'clockwise')))
    day = Fujin::Planning::Conditions.build(type: mirrored, wind: Fujin::Wind.parse('050/12'))
    found = M.find('hover').plan(day, Fujin::Planning::HouseMethod.new, course_deg: 350.0)
    normal = plan('hover', wind: '050/12', course: 350.0)

    assert_includes text_of(found, 'lte'), 'right pedal'
    assert_nil text_of(normal, 'lte')
    assert_includes text_of(found, 'lateral'), 'right side low'
    assert_includes text_of(normal, 'lateral'), 'left side low'
    assert_in_delta normal.value('hover_power_ige_kw'), found.value('hover_power_ige_kw'), 1e-9
  end
end
