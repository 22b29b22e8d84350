# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'
require_relative '../../test/by_lot'

# Every manoeuvre's plan: what each must have, and numbers that a hand can work out again.
class ManoeuvrePlansTest < Minitest::Test
  extend ByLot
  include PlanHelp

  by_lot(/_(on_hostile_days_answers|has_numbers_with_reasons)_/)

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
    said = assert_raises(Fujin::UnknownName) { plan('hover', settings: { 'bank_deg' => 20 }) }.message

    assert_match(/no setting bank_deg here: use .*hover_height_ft/, said)
    assert_equal 'bank_deg',
                 assert_raises(Fujin::InvalidInput) {
                   plan('turning_autorotation', settings: { 'bank_deg' => 80 })
                 }.problems.first[
                   :path
                 ]
    assert_raises(Fujin::InvalidInput) { plan('run_on_landing', settings: { 'surface' => 'ice' }) }
  end

  # Gyroplane

  def test_prerotation_at_the_hold_and_a_slow_rotor_are_limits
    at_hold = plan('gyro_take_off', type: 'sorrel-g', house: { 'prerotation_at' => 'hold' })

    assert_includes text_of(at_hold, 'prerotation'), '8 points short'
    slow = plan('gyro_take_off', type: 'sorrel-g', settings: { 'prerotation_pct' => 25 })

    assert_includes text_of(slow, 'abandoned'), 'blade flapping'
    assert_nil slow.value('roll_ft')
  end

  # 9° are the type's limit and 3° of it are to be left: a roll that flaps 7.4° leaves 1.6°, one of 5.7° leaves 3.3°.
  def test_flap_within_three_degrees_of_its_limit_is_said
    near, clear = [26.0, 28.0].map do |pct|
      plan('gyro_take_off', type: 'sorrel-g', wind: '350/8', course: 350.0, settings: { 'prerotation_pct' => pct })
    end

    assert_in_delta 1.6, 9.0 - near.value('flap_max_deg'), 0.1
    assert_includes 3.0..3.6, 9.0 - clear.value('flap_max_deg')
    assert_includes text_of(near, 'flap_margin'), 'Flapping reaches 7.4°, within 1.6° of the limit, 3.0° wanted'
    assert_nil text_of(clear, 'flap_margin')
  end

  # 35 ft are lost before it climbs, 5 are to spare.
  def test_a_balked_landing_is_called_with_five_feet_to_spare
    from34, from38, from42 = [34.0, 38.0, 42.0].map do |feet|
      text_of(plan('gyro_balked_landing', type: 'sorrel-g', height: feet), 'too_low')
    end

    assert_equal 'From 34 ft it touches: 35 ft are lost before it climbs. Call it at 50 ft or above.', from34
    assert_match(/\AFrom 38 ft it all but touches: 35 ft/, from38)
    assert_nil from42
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
    'site_clearance' => %w[confined_area half_radius],
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
