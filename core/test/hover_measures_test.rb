# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# Hovers written out in closed form: circles of a known radius, steps of a known size, turns of a known rate.
class HoverMeasuresTest < Minitest::Test
  def value(proposal, id) = proposal.measures.fetch(id).value

  # @yield [t_s] what differs from a still hover at 4 ft
  def hover(kind = 'hover', seconds: 60.0, from: 1.0, to: seconds - 1.0, **options, &state)
    WrittenFlight
      .new(seconds) { |t| { 'agl_ft' => 4.0 }.merge(state ? yield(t) : {}) }
      .measured(kind, { 'hover' => [from, to] }, **options)
  end

  def circle(radius, period_s: 20.0)
    ->(t) do
      angle = 2.0 * Math::PI * t / period_s
      {
        'north_ft' => 40.0 + (radius * Math.cos(angle)),
        'east_ft' => -25.0 + (radius * Math.sin(angle)),
        'gs_kt' => 2.0 * Math::PI * radius / period_s / WrittenFlight::FT_S
      }
    end
  end

  def test_a_still_hover_drifts_nowhere
    found = hover

    %w[
      hover_drift_max_ft hover_drift_rms_ft hover_drift_95_ft hover_height_sd_ft hover_heading_max_deg
      control_reversals_per_min
    ].each { |id| assert_in_delta 0.0, value(found, id), 0.05, id }
    assert_in_delta 100.0, value(found, 'hover_in_box_pct'), 0.1
  end

  # Round the middle of where it was, not round the spot.
  [3.0, 10.0].each do |radius|
    define_method("test_a_circle_of_#{radius.round}_ft_is_as_far_as_its_radius_all_the_time") do
      found = hover(seconds: 61.0, from: 0.5, to: 60.5, &circle(radius))

      %w[hover_drift_max_ft hover_drift_rms_ft hover_drift_95_ft].each do |id|
        assert_within radius, value(found, id), 4, id
      end
    end
  end

  # Along a line and back, evenly: the distance from its middle is spread evenly from nothing to its half.
  def test_to_and_fro_along_a_line
    period = 24.0
    saw = ->(t) { (4.0 * ((t / period) - ((t / period) + 0.5).floor).abs) - 1.0 }
    found =
      hover(seconds: 121.0, from: 0.5, to: 120.5) do |t|
        { 'east_ft' => 12.0 * saw.call(t), 'gs_kt' => 48.0 / period / WrittenFlight::FT_S }
      end

    assert_within 12.0, value(found, 'hover_drift_max_ft'), 5
    assert_within 12.0 / Math.sqrt(3.0), value(found, 'hover_drift_rms_ft'), 4
    assert_within 0.95 * 12.0, value(found, 'hover_drift_95_ft'), 3
  end

  # The solo box: 10 ft, 3 ft of height, 15° of heading.
  {
    'place' => ['north_ft', 14.0],
    'height' => ['agl_ft', 8.5],
    'heading' => ['hdg_deg', 350.0 - 22.0]
  }.each do |what, (column, outside)|
    define_method("test_the_share_of_time_in_the_box_by_#{what}") do
      found = hover { |t| t.between?(20.0, 32.0) ? { column => outside } : {} }

      assert_in_delta 100.0 * (1.0 - (12.0 / 58.0)), value(found, 'hover_in_box_pct'), 2.0
    end
  end

  def test_out_in_three_ways_at_once_is_out_once
    found = hover { |t| t.between?(20.0, 32.0) ? { 'north_ft' => 14.0, 'agl_ft' => 8.5, 'hdg_deg' => 328.0 } : {} }

    assert_in_delta 100.0 * (1.0 - (12.0 / 58.0)), value(found, 'hover_in_box_pct'), 2.0
  end

  # Twelve seconds out and six without a position: the share is of the moments that were recorded.
  def test_a_gap_is_neither_in_nor_out
    found = hover do |t|
      next { 'north_ft' => nil } if t.between?(20.0, 26.0)

      t.between?(40.0, 52.0) ? { 'north_ft' => 14.0 } : {}
    end

    assert_in_delta 100.0 * (1.0 - (12.0 / 52.0)), value(found, 'hover_in_box_pct'), 2.0
    assert_in_delta 14.0, value(found, 'hover_drift_max_ft'), 0.3
  end

  def test_without_a_position_the_place_is_not_recorded_and_the_height_is
    flight =
      WrittenFlight.new(30.0, columns: WrittenFlight::STILL.keys - %w[north_ft east_ft]) { |_| { 'agl_ft' => 5.0 } }
    found = flight.measured('hover', { 'hover' => [1.0, 29.0] })

    assert_equal(
      %w[not_recorded] * 3,
      %w[hover_drift_max_ft hover_drift_95_ft hover_in_box_pct].map { |id| found.measures[id].verdict }
    )
    assert_in_delta 5.0, value(found, 'hover_height_mean_ft'), 0.01
  end

  # Amplitude ÷ √2.
  def test_height_that_swings
    found =
      hover(seconds: 61.0, from: 0.5, to: 60.5) do |t|
        { 'agl_ft' => 5.0 + (1.5 * Math.sin(2.0 * Math::PI * t / 10.0)) }
      end

    assert_in_delta 5.0, value(found, 'hover_height_mean_ft'), 0.05
    assert_in_delta 1.5 / Math.sqrt(2.0), value(found, 'hover_height_sd_ft'), 0.05
  end

  def test_heading_across_north
    found = hover { |t| { 'hdg_deg' => t.between?(20.0, 25.0) ? 9.0 : 355.0 } }

    assert_in_delta 14.0, value(found, 'hover_heading_max_deg'), 0.2
  end

  # A saw of the pedals every four seconds turns back twice in each: thirty times a minute.
  def test_hands_that_go_back_on_themselves_are_counted
    saw = ->(t) { 8.0 * ((2.0 * ((t / 4.0) - ((t / 4.0) + 0.5).floor).abs) - 0.5) }
    found = hover(seconds: 62.0, from: 1.0, to: 61.0) { |t| { 'pedal_pct' => saw.call(t) } }
    both =
      hover(seconds: 62.0, from: 1.0, to: 61.0) do |t|
        { 'pedal_pct' => saw.call(t), 'collective_pct' => 40.0 + saw.call(t) }
      end

    assert_in_delta 30.0, value(found, 'control_reversals_per_min'), 1.1
    assert_in_delta 60.0, value(both, 'control_reversals_per_min'), 2.1
  end

  def test_hands_that_tremble_or_move_one_way_are_not
    trembling = hover { |t| { 'pedal_pct' => 0.8 * Math.sin(9.0 * t) } }
    pressing = hover { |t| { 'pedal_pct' => 0.4 * t } }

    assert_in_delta 0.0, value(trembling, 'control_reversals_per_min'), 0.01
    assert_in_delta 0.0, value(pressing, 'control_reversals_per_min'), 0.01
  end

  # Twenty degrees a second through a whole turn and more, either way.
  [20.0, -20.0].each do |rate|
    define_method("test_a_turn_at_#{rate.round}_degrees_a_second") do
      found = hover('hover_turn', seconds: 18.0) { |t| { 'hdg_deg' => (350.0 + (rate * t)) % 360.0 } }

      assert_in_delta 20.0, value(found, 'turn_rate_mean_deg_s'), 0.1
      assert_in_delta 20.0, value(found, 'turn_rate_max_deg_s'), 0.3
    end
  end

  def test_a_turn_that_quickens
    # From rest at 4°/s²: 40°/s at ten seconds, 20°/s on the mean.
    found =
      hover('hover_turn', seconds: 10.0, from: 0.0, to: 10.0) { |t| { 'hdg_deg' => (350.0 + (2.0 * t * t)) % 360.0 } }

    # The heading at either end is a mean of two tenths.
    assert_in_delta 20.0, value(found, 'turn_rate_mean_deg_s'), 0.5
    assert_in_delta 38.0, value(found, 'turn_rate_max_deg_s'), 2.5
  end

  # Up to 4 ft in four seconds, down again at 1 ft/s while drifting sideways at 1.5 kt with 3° of roll below a foot.
  def lift_and_set_down
    WrittenFlight.new(40.0) do |t|
      down = t > 30.0
      height = [[t - 4.0, 0.0].max, 4.0, [34.0 - t, 0.0].max].min
      {
        'agl_ft' => height,
        'gs_kt' => down && height < 3.0 ? 1.5 : 0.0,
        'roll_deg' => down && height < 1.0 ? -3.0 : 0.5
      }
    end
  end

  def test_how_the_ground_was_met
    found = lift_and_set_down.measured('lift_off_and_set_down', { 'hover' => [3.0, 35.0] })

    assert_in_delta 1.5, value(found, 'ground_contact_kt'), 0.2
    assert_in_delta 3.5, value(found, 'ground_roll_deg'), 0.3
    assert_in_delta 60.0, value(found, 'set_down_sink_fpm'), 5.0
  end

  def test_a_hover_that_never_met_the_ground_says_so
    found = hover('lift_off_and_set_down')

    %w[ground_contact_kt ground_roll_deg set_down_sink_fpm].each do |id|
      assert_match(/never on the ground/, found.measures[id].reason, id)
    end
  end
end
