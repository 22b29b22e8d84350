# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# Approaches written out in closed form: down a line of one angle to a hover at 4 ft over the spot, the speed falling
# with the root of the distance to go, so that the apparent closing rate stays the same. Every measure is known
# beforehand.
class ApproachMeasuresTest < Minitest::Test
  FT_S = WrittenFlight::FT_S
  TOP_FT = 296.0
  HOVER_FT = 4.0

  # @param angle [Float] degrees, @param from_kt [Float] at 300 ft
  # @return [Array(WrittenFlight, Float)] the flight and when it stops
  def closing(angle: 10.0, from_kt: 60.0, beside_ft: 0.0, heading: 0.0, **state)
    start = TOP_FT / Math.tan(angle * Q::DEG)
    stops = 2.0 * start / (from_kt * FT_S)
    flight =
      WrittenFlight.new(stops + 12.0) do |t|
        share = [1.0 - (t / stops), 0.0].max
        left = start * share * share
        kt = from_kt * share
        {
          'north_ft' => -left,
          'east_ft' => beside_ft,
          'agl_ft' => HOVER_FT + (left * Math.tan(angle * Q::DEG)),
          'gs_kt' => kt,
          'ias_kt' => kt,
          'track_deg' => 0.0,
          'hdg_deg' => heading
        }.merge(state.transform_values { |of| of.call(t - stops) }.transform_keys(&:to_s))
      end
    [flight, stops]
  end

  def approach(kind = 'normal_approach', house: {}, result: :completed, wind: Fujin::Wind.calm, ranges: true, **options)
    flight, stops = closing(**options)
    cut = { 'descent' => [0.0, stops], 'termination' => [stops, stops + 10.0] }
    cut.delete('termination') if result == :go_around
    flight.measured(
      kind,
      cut,
      house: Fujin::Planning::HouseMethod.new(house),
      result: result,
      course_deg: 0.0,
      wind: wind,
      ranges: ranges
    )
  end

  def value(proposal, id) = proposal.measures.fetch(id).value
  # Sink of a speed down a line, ft/min.
  def sink(knots, angle) = knots * FT_S * 60.0 * Math.tan(angle * Q::DEG)

  [8.0, 10.0, 12.0].each do |angle|
    define_method("test_the_angle_of_a_line_of_#{angle.round}_degrees") do
      found = approach(angle: angle)

      assert_in_delta angle, value(found, 'approach_angle_deg'), 0.25
      # Held to the house's 10° where it ended: the line leads to the hover, 4 ft up.
      assert_in_delta (angle - 10.0).abs, value(found, 'approach_angle_off_deg'), 0.35
    end
  end

  def test_a_constant_apparent_closing_rate_is_none_off
    assert_in_delta 0.0, value(approach, 'closing_speed_off_kt'), 0.6
  end

  # At one speed throughout, the curve through its own 200 ft asks for √(36 ÷ 196) of it at 40 ft.
  def test_a_speed_kept_is_off_by_what_the_curve_asks_at_the_end_of_the_line
    start = TOP_FT / Math.tan(10.0 * Q::DEG)
    stops = start / (40.0 * FT_S)
    flight =
      WrittenFlight.new(stops + 10.0) do |t|
        left = [start - (40.0 * FT_S * t), 0.0].max
        kt = left.zero? ? 0.0 : 40.0
        {
          'north_ft' => -left,
          'agl_ft' => HOVER_FT + (left * Math.tan(10.0 * Q::DEG)),
          'gs_kt' => kt,
          'ias_kt' => kt,
          'track_deg' => 0.0,
          'hdg_deg' => 0.0
        }
      end
    found =
      flight.measured(
        'normal_approach',
        { 'descent' => [0.0, stops], 'termination' => [stops, stops + 9.0] },
        course_deg: 0.0
      )

    assert_in_delta 40.0 * (1.0 - Math.sqrt(36.0 / 196.0)), value(found, 'closing_speed_off_kt'), 1.0
  end

  def test_speed_and_sink_at_places_of_the_line
    found = approach
    at50 = 60.0 * Math.sqrt(46.0 / TOP_FT)

    assert_in_delta at50, value(found, 'groundspeed_at_50_ft_kt'), 0.4
    assert_within sink(60.0, 10.0), value(found, 'sink_max_fpm'), 2.5
    assert_in_delta sink(30.0, 10.0), value(found, 'sink_max_below_30_kt_fpm'), 12.0
  end

  # Allowed are 30 ft/min a knot and never under 300: nearest to it where the two meet, at 10 kt.
  def test_sink_against_what_the_curve_allows
    assert_in_delta sink(10.0, 10.0) - 300.0, value(approach, 'sink_over_allowed_fpm'), 8.0
  end

  # Flat 300 below 30 kt: most over just as it gets that slow.
  def test_sink_against_a_flat_limit
    assert_in_delta sink(30.0, 10.0) - 300.0,
                    value(approach(house: { 'sink_limit' => 'flat' }), 'sink_over_allowed_fpm'),
                    12.0
  end

  def test_the_decision_is_where_the_speed_falls_through_the_houses
    speed = Fujin::Planning::HouseMethod.new['decision_speed_kt']
    found = approach('steep_approach', angle: 13.0)

    assert_in_delta HOVER_FT + (TOP_FT * ((speed / 60.0)**2)), value(found, 'decision_height_ft'), 3.0
    assert_in_delta sink(speed, 13.0), value(found, 'decision_sink_fpm'), 12.0
  end

  def test_never_slow_never_decided
    flight =
      WrittenFlight.new(20.0) do |t|
        {
          'agl_ft' => 300.0 - (10.0 * t),
          'gs_kt' => 50.0,
          'ias_kt' => 50.0,
          'track_deg' => 0.0,
          'hdg_deg' => 0.0,
          'north_ft' => -1687.0 + (84.4 * t)
        }
      end
    found = flight.measured('steep_approach', { 'descent' => [0.0, 18.0] }, result: :go_around, course_deg: 0.0)

    assert_match(/did not fall to/, found.measures['decision_height_ft'].reason)
    assert_match(/never slower than 30 kt/, found.measures['sink_max_below_30_kt_fpm'].reason)
    assert_match(/faster than the vortex-ring region/, found.measures['vortex_ring_margin_fpm'].reason)
    assert_match(/broken off/, found.measures['approach_angle_off_deg'].reason)
    assert_in_delta 600.0, value(found, 'sink_max_fpm'), 5.0
  end

  # Straight down at the speed that the rotor's own wake moves: the heart of the vortex-ring state.
  def test_sinking_into_its_own_wake_is_the_heart_of_the_vortex_ring_state
    day = conditions
    wake_fpm = day.trim.rotor.hover_induced_velocity(day.mass_kg * Q::G) / Q::FPM
    feet_s = wake_fpm / 60.0
    flight =
      WrittenFlight.new(30.0) do |t|
        {
          'agl_ft' => 800.0 - (feet_s * t),
          'gs_kt' => 2.0,
          'ias_kt' => 2.0,
          'track_deg' => 0.0,
          'hdg_deg' => 0.0,
          'north_ft' => 3.4 * t
        }
      end
    found = flight.measured('normal_approach', { 'descent' => [2.0, 28.0] }, result: :go_around, course_deg: 0.0)
    onset, = day.trim.vortex_ring_sinks_m_s(2.0)

    assert_operator value(found, 'vortex_ring_index_max'), :>, 0.8
    assert_in_delta (onset / Q::FPM) - wake_fpm, value(found, 'vortex_ring_margin_fpm'), 25.0
    assert_operator value(found, 'vortex_ring_margin_fpm'), :<, 0.0
  end

  # The avoid area of this type reaches 45 kt at 70 ft and narrows to 400 ft: at 100 ft it is left faster than 41 kt.
  def test_seconds_inside_the_avoid_area
    flight = WrittenFlight.new(40.0) do |t|
      kt = t.between?(12.0, 19.0) ? 10.0 : 60.0
      { 'agl_ft' => 100.0, 'gs_kt' => kt, 'ias_kt' => kt, 'track_deg' => 0.0, 'hdg_deg' => 0.0 }
    end
    found = flight.measured('steep_approach', { 'descent' => [5.0, 35.0] }, result: :go_around, course_deg: 0.0)

    assert_in_delta 7.0, value(found, 'avoid_area_s'), 0.6
  end

  def test_where_and_how_it_ended
    found = approach(beside_ft: 22.0, heading: 12.0)

    assert_in_delta HOVER_FT, value(found, 'hover_height_ft'), 0.1
    assert_in_delta 12.0, value(found, 'termination_heading_off_deg'), 0.5
    assert_in_delta 0.0, value(found, 'miss_along_ft'), 1.0
    assert_in_delta 22.0, value(found, 'miss_across_ft'), 0.5
  end

  # Two seconds from 18 to 26 inches: peak and quickest rise by the engine's own curve.
  def test_the_power_that_stops_it
    engine = Fujin::Flight::Engine.new(type, Fujin::Atmosphere.new)
    pct = ->(inches) { 100.0 * engine.power_of(inches, 1.0) / engine.limit_w }
    found = approach(map_inhg: ->(after) { 18.0 + (8.0 * ((after + 4.0) / 2.0).clamp(0.0, 1.0)) })

    assert_in_delta pct.call(26.0), value(found, 'power_peak_pct'), 0.5
    assert_within (pct.call(26.0) - pct.call(18.0)) / 2.0, value(found, 'power_rise_pct_s'), 8
  end

  # Much power in a slow hover: the tail rotor is exposed while the air comes from where its own wake is blown back,
  # and not from ahead.
  def test_the_tail_rotors_exposure_is_told_by_where_the_air_comes_from
    full = ->(_) { 27.0 }
    # In the middle of a sector: at its edge the wind's own error decides.
    sector = (0..35).map { |i| i * 10.0 }.find do |deg|
      [-20.0, 0.0, 20.0].all? { |off| Fujin::Aircraft::TailRotor.disturbed?(type, (deg + off) % 360.0) }
    end
    exposed, ahead = [sector, 0.0].map do |deg|
      approach(map_inhg: full, wind: Fujin::Wind.new(from_deg: deg, speed_kt: 15.0), ranges: false)
    end

    assert_operator value(exposed, 'lte_exposure_s'), :>, 8.0
    assert_in_delta 0.0, value(ahead, 'lte_exposure_s'), 0.05
  end

  RUN_ON_KT = 35.0
  STOPPING_KT_S = 5.0

  # Down 4° at 35 kt to the ground, then slowing evenly; the collective goes down by 24 % in two seconds, one second
  # after contact.
  def run_on(bounce_ft: 0.0, lower_s: 2.0)
    touch = 20.0
    flight =
      WrittenFlight.new(touch + 15.0) do |t|
        after = t - touch
        left = [-after, 0.0].max * RUN_ON_KT * FT_S
        kt = [RUN_ON_KT - (STOPPING_KT_S * [after, 0.0].max), 0.0].max
        gone = (RUN_ON_KT * after.clamp(0.0, 7.0) * FT_S) - (0.5 * STOPPING_KT_S * FT_S * (after.clamp(0.0, 7.0)**2))
        bounced = after.between?(1.0, 2.0) ? bounce_ft * Math.sin(Math::PI * (after - 1.0)) : 0.0
        {
          'north_ft' => gone - left,
          'agl_ft' => (left * Math.tan(4.0 * Q::DEG)) + bounced,
          'gs_kt' => kt,
          'ias_kt' => kt,
          'track_deg' => 0.0,
          'hdg_deg' => 0.0,
          'vs_fpm' => after.negative? ? -sink(RUN_ON_KT, 4.0) : 0.0,
          'collective_pct' => 30.0 - (28.0 * ((after - 1.0) / lower_s).clamp(0.0, 1.0))
        }
      end
    flight.measured(
      'run_on_landing',
      { 'descent' => [0.0, touch], 'touchdown' => [touch, touch + 2.0], 'slide' => [touch + 2.0, touch + 7.0] },
      course_deg: 0.0
    )
  end

  def test_a_run_on_landings_contact_and_slide
    found = run_on

    assert_in_delta sink(RUN_ON_KT, 4.0), value(found, 'contact_sink_fpm'), 40.0
    assert_in_delta RUN_ON_KT, value(found, 'contact_groundspeed_kt'), 0.6
    # v² ÷ 2a.
    assert_within RUN_ON_KT * RUN_ON_KT * FT_S / (2.0 * STOPPING_KT_S), value(found, 'slide_ft'), 3
    assert_in_delta 0.0, value(found, 'contact_drift_kt'), 0.2
    assert_in_delta 0.0, value(found, 'miss_along_ft'), 8.0
  end

  def test_how_quickly_the_collective_went_down
    assert_in_delta 14.0, value(run_on, 'lowering_rate_pct_s'), 0.5
    assert_in_delta 28.0, value(run_on(lower_s: 1.0), 'lowering_rate_pct_s'), 1.0
  end

  def test_a_bounce_is_what_it_came_up_again
    assert_in_delta 3.0, value(run_on(bounce_ft: 3.0), 'bounce_ft'), 0.2
    assert_in_delta 0.0, value(run_on, 'bounce_ft'), 0.1
  end
end
