# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'

# Plans of the autorotations: turns, ways to the spot, low speed, hovering, low rotor rpm, energy; worked out again by
# hand.
class AutorotationPlansTest < Minitest::Test
  include PlanHelp

  # Turning autorotations

  def test_a_half_turn_costs_what_the_reference_says_at_sixty
    # From a settled glide: with the entry, what is left of its speed carries a part of the turn.
    found =
      plan(
        'turning_autorotation',
        type: 'bracken-2',
        house: { 'turn_entry' => 'established', 'turn_established_s' => 15 },
        settings: { 'turn_deg' => 180, 'bank_deg' => 30 }
      )

    assert_within 614, found.value('turn_height_ft'), 3
    assert_within 168, found.value('turn_radius_ft') * Q::FT, 1
  end

  def test_heights_of_a_turning_autorotation_add_up
    found = plan('turning_autorotation', height: 1500.0)

    assert_in_delta found.value('turn_start_height_ft') - found.value('turn_height_ft'),
                    found.value('roll_out_height_ft'),
                    0.01
    assert_in_delta 0.0, found.path.last.along_ft, 1e-6
    assert_in_delta 0.0, found.path.last.across_ft, 1e-6
  end

  def test_the_entry_of_a_left_half_turn_lies_two_radii_to_the_left_in_still_air
    found = plan('turning_autorotation', settings: { 'turn_side' => 'left' })
    right = plan('turning_autorotation', settings: { 'turn_side' => 'right' })
    entry = found.path.find { |p| p.phase == :entry }

    # As in a left-hand circuit, the way back lies to the left of the final; rolling in and out widens it a little.
    assert_operator(-entry.across_ft, :>, 2.0 * found.value('turn_radius_ft'))
    assert_within 2.0 * found.value('turn_radius_ft'), -entry.across_ft, 8
    assert_in_delta entry.across_ft, -right.path.find { |p| p.phase == :entry }.across_ft, 1.0
  end

  def test_a_full_circle_begins_on_the_line_and_a_quarter_on_the_base
    circle = plan('turning_autorotation', height: 2500.0, settings: { 'turn_deg' => 360 })
    quarter = plan('turning_autorotation', settings: { 'turn_deg' => 90, 'turn_side' => 'left' })

    assert_in_delta 0.0, circle.path.first.across_ft, 60
    assert_operator quarter.path.first.across_ft, :<, -1000
  end

  # From a third of a turn on it begins with the wind behind; less does not.
  def test_the_wind_behind_an_entry_is_warned_of_from_a_third_of_a_turn_on
    warned = ->(deg) do
      text_of(plan('turning_autorotation', wind: '020/14', settings: { 'turn_deg' => deg }), 'downwind')
    end

    assert_nil warned.call(119.0)
    assert_match(/\A\d+ kt of tailwind at the entry/, warned.call(120.0))
  end

  def test_too_low_for_the_turn_says_by_how_much
    found = plan('turning_autorotation', height: 700.0)

    assert_match(
      /Out of the turn at \d+ ft, 200 ft wanted, \d+ ft too low: begin at 7\d0 ft or above/,
      text_of(found, 'turn_out')
    )
    assert_raises(Fujin::InvalidInput) { plan('turning_autorotation', height: 400.0) }
  end

  # As low as one may be planned the glide still ends where the flare begins, and nothing goes under the ground.
  def test_the_lowest_plan_stays_over_the_ground
    [['straight_in_autorotation', {}], ['turning_autorotation', { 'turn_deg' => 360.0 }],
     ['turning_autorotation', { 'spot_option' => 'stretch' }], ['s_turn_autorotation', {}]].each do |id, settings|
      asked = { type: 'yarrow-4', wind: '350/8', course: 350.0, settings: settings }
      refused = assert_raises(Fujin::InvalidInput) { plan(id, height: 100.0, **asked) }
      found = plan(id, height: refused.message[/from (\d+)/, 1].to_f, **asked)
      low = found.path.group_by(&:phase).transform_values { |rows| rows.map(&:height_ft).min }

      assert_in_delta found.value('flare_height_ft'), low.fetch(:glide), 1.0, id
      assert_operator low.values.min, :>=, 0.0, id
    end
  end

  # The same stretch by plan and by recording: the plan eases the nose as the model's recovery does, the pilot as a
  # person does.
  def test_the_height_to_regain_the_glide_is_what_a_recording_measures
    settings = { 'low_speed_kt' => 15.0 }
    flown = flown_by_pilot('low_speed_autorotation', wind: '350/0', exercise: 'low_speed_autorotation',
                                                     settings: settings)
    found = plan('low_speed_autorotation', settings: settings, wind: '350/0')

    assert_within flown.measure('height_to_glide_ft'), found.value('height_to_glide_ft'), 20
    assert_operator found.value('height_to_glide_ft'), :<, found.value('recovery_height_ft')
  end

  # What the wind carries the rotor need not: the time to contact grows, by no more than hover power falls.
  def test_a_wind_on_the_nose_softens_a_hovering_autorotation
    calm, windy = %w[350/0 350/15].map { |wind| plan('hovering_autorotation', wind: wind) }
    power = trim('tansy-2')
    share = power.hover_power_w(height_m: 4.0 * Q::FT) / power.level_power_w(15.0, height_m: 4.0 * Q::FT)
    grown = windy.value('fixed_collective_time_s') / calm.value('fixed_collective_time_s')

    assert_operator grown, :>, 1.02
    assert_operator grown, :<, share
    assert_operator windy.value('contact_sink_fpm'), :<, calm.value('contact_sink_fpm')
  end

  def test_the_throttle_comes_off_by_the_house_and_the_stage
    off = ->(stage, ladder) do
      plan('hovering_autorotation', stage: stage, house: { 'hovering_ladder' => ladder }).value('throttle_reduction_s')
    end

    assert_equal([8.0, 2.0, 0.5], %w[early solo test].map { |stage| off.call(stage, 'slow_first') })
    assert_equal([0.5, 0.5], %w[early solo].map { |stage| off.call(stage, 'sudden') })
  end

  def test_an_s_turn_shortens_the_glide
    found = plan('s_turn_autorotation', wind: '350/10')

    assert_operator found.value('shortened_ft'), :>, 300
    assert_in_delta 0.0, found.path.find { |p| p.phase == :entry }.across_ft, 150
  end

  def test_spot_options_reach_what_they_promise
    reach = ->(option) do
      plan('straight_in_autorotation', settings: { 'spot_option' => option }, height: 1800.0).value('entry_distance_ft')
    end
    none = reach.call('none')

    assert_operator reach.call('slow'), :<, none
    assert_operator reach.call('stretch'), :>, none
    assert_operator reach.call('s_turn'), :<, none
    assert_operator reach.call('circle'), :<, none
    options = plan('straight_in_autorotation', height: 1800.0).reaches.map(&:option)

    assert_equal %w[glide stretch slow delay s_turn circle], options
  end

  def mean(feet) = feet.sum / feet.size

  # @return [Hash{String => Array<Array(Float)>}] by option, how far along and how far across its points are, feet
  def options_in(wind) =
    plan('straight_in_autorotation', height: 1800.0, course: 0.0, wind: wind).reaches.to_h do |reach|
      [reach.option, reach.points.transpose]
    end

  # In calm what turns left ends on the left, half of the directions after the other half. Ten knots from the left carry
  # each as long as it flies, a circle on the way or not: a steeper sink in it costs seconds.
  def test_the_wind_carries_every_option
    left, right = options_in('000/0')['glide'].last.each_slice(12).first(2)

    assert_operator left.max, :<, 1.0
    assert_operator right.drop(1).min, :>, -1.0
    carried = options_in('270/10').transform_values { |_, across| mean(across) / (10.0 * 1.68781) }
    flown_s = carried.fetch('glide')

    assert_includes 40.0..90.0, flown_s
    %w[s_turn circle].each { |option| assert_in_delta flown_s, carried.fetch(option), 0.25 * flown_s, option }
  end

  # An S of 45° each way costs the bends and the steeper sink in them, no more; ten knots on the nose take back as much
  # of every option as they do of the glide.
  def test_how_far_ahead_every_option_ends
    calm, windy = ['000/0', '000/10'].map { |wind| options_in(wind).transform_values(&:first) }

    assert_includes 50.0..1000.0, calm['glide'].max - calm['s_turn'].max
    %w[s_turn circle].each do |option|
      shorter = [calm, windy].map { |found| mean(found['glide']) - mean(found[option]) }

      assert_in_delta(*shorter, 15.0 * 10.0 * 1.68781, option)
    end
  end

  # Level on past the usual point: the entry stays where the glide asks for it, the set-up begins that much farther out.
  def test_a_delayed_entry_flies_on_level_first
    usual = plan('straight_in_autorotation', wind: '350/10')
    later = plan('straight_in_autorotation', wind: '350/10', settings: { 'spot_option' => 'delay' })
    ground = usual.path.first.groundspeed_kt * 1.68781 * 10.0

    assert_in_delta usual.value('entry_distance_ft'), later.value('entry_distance_ft'), 0.1
    assert_in_delta ground, later.value('delay_distance_ft'), 2.0
    assert_in_delta usual.setup.start_along_ft - ground, later.setup.start_along_ft, 2.0
    assert_in_delta usual.path.first.t_s - 10.0, later.path.first.t_s, 0.1
    assert_in_delta ground, usual.path.first.along_ft - later.path.first.along_ft, 5.0
    assert_includes later.setup.text, '10 s more, level'
    refute_includes usual.setup.text, 'more, level'
    assert_nil usual.value('delay_s')
  end

  def test_a_delayed_base_begins_farther_to_the_side
    setups =
      %w[none delay].map do |option|
        plan('turning_autorotation', settings: { 'turn_deg' => 90.0, 'spot_option' => option }, height: 1200.0).setup
      end

    assert_operator (setups[1].start_across_ft - setups[0].start_across_ft).abs, :>, 1000
    assert_in_delta setups[0].start_along_ft, setups[1].start_along_ft, 5
  end

  def test_power_off_never_exceed_falls_with_density_altitude
    low = plan('straight_in_autorotation').value('never_exceed_power_off_kt')
    high = plan('straight_in_autorotation', elevation_ft: 6000).value('never_exceed_power_off_kt')

    assert_in_delta 90, low, 0.1
    assert_operator high, :<, 84
  end

  # Low and no airspeed, hovering, low rpm, energy

  def test_low_speed_start_height_is_a_limit
    low = plan('low_speed_autorotation', height: 900.0)

    assert_equal 'limit', low.cautions.find { |c| c.id == 'start_height' }.level
    assert_nil text_of(plan('low_speed_autorotation', height: 3000.0), 'start_height')
    assert_includes text_of(low, 'low_g'), 'teetering'
    refute_includes text_of(plan('low_speed_autorotation', type: 'bracken-2'), 'low_g'), 'teetering'
  end

  def test_hovering_autorotation_energy_by_hand
    found = plan('hovering_autorotation', height: 4.0)

    assert_in_delta 0.5 * 112 * (49.8**2) / 1000, found.value('rotor_energy_kj'), 0.01
    assert_in_delta 1.42, found.value('fixed_collective_time_s'), 0.03
    assert_includes text_of(found, 'collective'), 'Right pedal'
    assert_includes text_of(plan('hovering_autorotation', type: 'bracken-2'), 'collective'), 'Left pedal'
  end

  def test_low_rpm_times_are_in_order_and_the_path_comes_back
    found = plan('low_rotor_rpm_recovery')

    assert_operator found.value('warning_after_s'), :<, found.value('rotor_decay_to_90_s')
    assert_operator found.value('rotor_decay_to_90_s'), :<, found.value('too_late_after_s')
    assert_operator found.path.map(&:rotor_rpm_pct).min, :>, 80
    assert_operator found.path.last.rotor_rpm_pct, :>, 98
  end

  def test_energy_drill_energy_by_hand
    found = plan('energy_drill')
    by_hand = ((63 * Q::KT)**2) / (2 * Q::G) / Q::FT

    assert_in_delta by_hand, found.value('speed_energy_ft'), 0.1
    ledger = found.ledger

    assert_operator ledger.last.total_ft, :<, ledger.first.total_ft
    ledger.each_cons(2) { |a, b| assert_operator b.total_ft, :<=, a.total_ft + 0.5 }
  end

  # It loses as much from any height: twenty feet of height are twenty feet at its end.
  def test_an_energy_drill_that_ends_under_six_hundred_feet_says_where_to_begin
    lost = 3000.0 - plan('energy_drill', height: 3000.0).path.last.height_ft
    low = plan('energy_drill', height: lost + 590.4)

    assert_match(/ends at 590 ft, 600 wanted, 10 ft short/, text_of(low, 'drill_height'))
    assert_nil text_of(plan('energy_drill', height: lost + 610.0), 'drill_height')
    begins = text_of(low, 'drill_height')[/begin at (\d+) ft/, 1].to_f

    assert_includes 600.0...610.0, begins - lost
    assert_nil text_of(plan('energy_drill', height: begins), 'drill_height')
  end

  # As low as it is planned, the entry leaves fifty feet of glide before the flare; a foot lower it is refused.
  def test_the_lowest_entry_leaves_a_glide
    refused = assert_raises(Fujin::InvalidInput) { plan('straight_in_autorotation', height: 100) }
    lowest = refused.problems.first[:message][/from (\d+)/, 1].to_f
    found = plan('straight_in_autorotation', height: lowest)
    entered = found.path.reverse.find { |point| point.phase == :entry }.height_ft
    flare = found.gates.find { |gate| gate.id == 'flare' }.height_ft

    assert_includes 50.0..60.0, entered - flare
    assert_raises(Fujin::InvalidInput) { plan('straight_in_autorotation', height: lowest - 1.0) }
  end
end
