# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# Take-offs, level speed changes and rotor rpm recoveries written out in closed form.
class DepartureMeasuresTest < Minitest::Test
  def value(proposal, id) = proposal.measures.fetch(id).value
  def engine = Fujin::Flight::Engine.new(type, Fujin::Atmosphere.new)
  def power_pct(inches) = 100.0 * engine.power_of(inches, 1.0) / engine.limit_w

  # Ten seconds of hover, then 1.5 kt more each second; sinks by `sag` ft until 18 s, then climbs 8 ft a second.
  def take_off(sag: 1.5, inches: 24.0, added: 0.0, track: ->(_) { 350.0 })
    flight =
      WrittenFlight.new(60.0) do |t|
        after = [t - 10.0, 0.0].max
        height = 4.0 - (sag * Math.sin(Math::PI * (after / 8.0).clamp(0.0, 1.0))) + (8.0 * [t - 18.0, 0.0].max)
        kt = [1.5 * after, 60.0].min
        {
          'agl_ft' => height,
          'gs_kt' => kt,
          'ias_kt' => kt,
          'track_deg' => track.call(kt),
          'map_inhg' => inches + (t > 12.0 ? added : 0.0)
        }
      end
    flight.measured('hover_power_take_off', { 'take_off' => [10.0, 24.0], 'climb' => [24.0, 50.0] }, course_deg: 350.0)
  end

  def test_what_it_sank_on_the_way_through_translational_lift
    assert_in_delta 1.5, value(take_off, 'transition_sink_ft'), 0.05
    assert_in_delta 0.0, value(take_off(sag: 0.0), 'transition_sink_ft'), 0.01
  end

  def test_power_beyond_what_it_hovered_with
    assert_in_delta 0.0, value(take_off, 'power_added_pct'), 0.1
    assert_in_delta power_pct(26.0) - power_pct(24.0), value(take_off(added: 2.0), 'power_added_pct'), 0.2
  end

  def test_where_the_climb_speed_came
    assert_in_delta 4.0 + (8.0 * 32.0), value(take_off, 'climb_speed_height_ft'), 0.5
  end

  # At 20 kt by chance or by will: slower it has no track. 6° off for half of what is left is 6° off its mean's other
  # side.
  def test_the_track_once_there_is_one
    assert_in_delta 0.0, value(take_off(track: ->(kt) { kt < 15.0 ? 120.0 : 350.0 }), 'climb_track_off_deg'), 0.5
    assert_operator value(take_off(track: ->(kt) { kt < 40.0 ? 350.0 : 358.0 }), 'climb_track_off_deg'), :>, 3.5
  end

  def test_too_slow_for_a_track_is_said
    flight = WrittenFlight.new(40.0) { |t| { 'agl_ft' => 4.0 + (2.0 * t), 'gs_kt' => 8.0, 'ias_kt' => 8.0 } }
    found = flight.measured('hover_power_take_off', { 'take_off' => [2.0, 20.0], 'climb' => [20.0, 38.0] })

    assert_match(/never fast enough/, found.measures['climb_track_off_deg'].reason)
  end

  # The avoid area from its corners: 20 kt at 15 ft, 45 kt at 70 ft, none over 400 ft.
  def test_time_in_the_avoid_area_by_its_own_corners
    inside =
      ->(height, kt) do
        next kt < 20.0 * (height - 10.0) / 5.0 if height.between?(10.0, 15.0)
        next kt < 20.0 + (25.0 * (height - 15.0) / 55.0) if height.between?(15.0, 70.0)

        height.between?(70.0, 400.0) && kt < 45.0 * (400.0 - height) / 330.0
      end
    seconds =
      (100..500).count do |i|
        inside.call(4.0 + (8.0 * [(i / 10.0) - 18.0, 0.0].max), [1.5 * ((i / 10.0) - 10.0), 60.0].min)
      end / 10.0

    assert_operator seconds, :>, 5.0
    assert_in_delta seconds, value(take_off(sag: 0.0), 'avoid_area_s'), 0.4
  end

  # From 70 to 50 kt in ten seconds, 40 ft up and 6° right meanwhile.
  def test_a_level_speed_change
    flight =
      WrittenFlight.new(60.0) do |t|
        share = ((t - 20.0) / 10.0).clamp(0.0, 1.0)
        kt = 70.0 - (20.0 * share)
        {
          'agl_ft' => 600.0 + (40.0 * Math.sin(Math::PI * share)),
          'gs_kt' => kt,
          'ias_kt' => kt,
          'hdg_deg' => (356.0 + (6.0 * Math.sin(Math::PI * share))) % 360.0,
          'track_deg' => 356.0
        }
      end
    found = flight.measured('level_speed_change', { 'level' => [20.0, 30.0] })

    assert_in_delta(-20.0, value(found, 'speed_change_kt'), 0.8)
    assert_in_delta 10.0, value(found, 'settle_s'), 0.01
    assert_in_delta 40.0, value(found, 'level_height_max_ft'), 0.5
    assert_in_delta 6.0, value(found, 'level_heading_max_deg'), 0.2
  end

  # Nose left of where it goes through the air by four degrees, in a wind from the side.
  def test_trim_is_told_from_the_air_and_not_from_the_ground
    wind = Fujin::Wind.new(from_deg: 80.0, speed_kt: 12.0)
    ground = wind.groundspeed_kt(350.0, 70.0)
    through_air = 350.0 + wind.drift_angle_deg(350.0, 70.0)
    flight =
      WrittenFlight.new(40.0) do |_|
        {
          'agl_ft' => 600.0,
          'gs_kt' => ground,
          'ias_kt' => 70.0,
          'track_deg' => 350.0,
          'hdg_deg' => (through_air - 4.0) % 360.0
        }
      end
    found = flight.measured('level_speed_change', { 'level' => [10.0, 30.0] }, wind: wind)

    assert_in_delta(-4.0, value(found, 'trim_deg'), 0.2)
  end

  # Rotor rpm falls by two percent a second from 100 at ten seconds, until `corrected`, then comes back by four a
  # second.
  def low_rotor(corrected: 13.5, throttle: corrected, collective: corrected)
    flight =
      WrittenFlight.new(40.0) do |t|
        fell = 2.0 * (t.clamp(10.0, corrected) - 10.0)
        {
          'agl_ft' => 900.0,
          'gs_kt' => 70.0,
          'ias_kt' => 70.0,
          'nr_pct' => 100.0 - [fell - (4.0 * [t - corrected, 0.0].max), 0.0].max,
          'throttle_pct' => throttle && t > throttle ? 90.0 : 60.0,
          'collective_pct' => t > collective ? 35.0 : 45.0
        }
      end
    flight.measured(
      'low_rotor_rpm_recovery',
      { 'decay' => [10.5, corrected], 'recovery' => [corrected, corrected + 4.0] },
      events: { throttle_s: throttle, collective_s: collective }.compact
    )
  end

  # The warning of this type is at 96 %, its band with power on begins at 98 %: left at 11 s, the warning at 12 s.
  def test_how_low_for_how_long_and_how_soon
    found = low_rotor

    assert_in_delta 93.0, value(found, 'min_rotor_rpm_pct'), 0.4
    assert_in_delta 2.5, value(found, 'reaction_s'), 0.15
    assert_in_delta 1.5, value(found, 'action_after_warning_s'), 0.15
    # From 12 s to 13.5 s down, and 3 % at four a second up.
    assert_in_delta 1.5 + 0.75, value(found, 'time_below_warning_s'), 0.2
  end

  def test_done_before_the_warning_and_no_warning_at_all
    found = low_rotor(corrected: 11.6)

    assert_in_delta 96.8, value(found, 'min_rotor_rpm_pct'), 0.4
    assert_in_delta 0.0, value(found, 'time_below_warning_s'), 0.01
    assert_match(/the warning never came/, found.measures['action_after_warning_s'].reason)
  end

  def test_which_hand_was_first
    assert_in_delta 0.6, value(low_rotor(throttle: 13.5, collective: 14.1), 'throttle_before_collective_s'), 0.01
    assert_in_delta(-0.4, value(low_rotor(throttle: 13.9, collective: 13.5), 'throttle_before_collective_s'), 0.01)
    assert_match(/only one of the two/, low_rotor(throttle: nil).measures['throttle_before_collective_s'].reason)
  end
end
