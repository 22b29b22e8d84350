# frozen_string_literal: true

require_relative 'test_helper'

# Where landings end: the reduced model against full flights, seeds, the field of answers.
class DispersionTest < Minitest::Test
  P = Fujin::Planning

  def dispersion(height: 1000.0, wind: '350/10', spread: P::Spread.default, id: 'tansy-2', **day)
    P::Dispersion.new(conditions(id, wind: Fujin::Wind.parse(wind), **day), P::HouseMethod.new, course_deg: 350.0, height_ft: height, spread: spread)
  end

  def median(values) = Fujin::Quantities.median(values)

  # The same twenty deviations flown whole and reduced.
  def test_the_median_is_within_thirty_feet_of_twenty_full_flights
    reduced = dispersion
    random = Random.new(11)
    normal = -> { Math.sqrt(-2.0 * Math.log(1.0 - random.rand)) * Math.cos(2.0 * Math::PI * random.rand) }
    pairs = Array.new(20) do
      off = P::Dispersion::NONE.with(speed_kt: 4 * normal.call, rotor_pct: 2 * normal.call, delay_s: (0.35 * normal.call).abs, flare_height_ft: 10 * normal.call,
                                     entry_ft: 120 * normal.call)
      [full_flight(off), reduced.place('glide', off)[0]]
    end

    assert_in_delta median(pairs.map(&:first)), median(pairs.map(&:last)), 30
    assert_operator pairs.sum { |full, quick| (full - quick).abs } / 20.0, :<, 90
  end

  def full_flight(off)
    signed = ->(value, low, high) { { value.negative? ? low : high => value.abs } }
    faults = { 'late_collective' => off.delay_s }.merge(signed.call(off.speed_kt, 'slow_glide', 'fast_glide'), signed.call(off.rotor_pct, 'low_rotor_rpm', 'high_rotor_rpm'),
                                                        signed.call(off.flare_height_ft, 'late_flare', 'early_flare'), signed.call(off.entry_ft, 'entered_too_close', 'entered_too_far'))
    run = Fujin::Flight::StraightInFlight.new(conditions(wind: Fujin::Wind.parse('350/10')), course_deg: 350.0, faults: faults).run
    end_row = run.rows.find { |r| r[17] == :recovery && Math.hypot(r[4], r[5]) < 0.8 }
    Fujin::LocalMap.along_across(end_row[1], end_row[2], 350.0)[0] / Q::FT
  end

  def test_the_same_seed_is_the_same_answer
    assert_equal dispersion.places('glide', 50, seed: 3), dispersion.places('glide', 50, seed: 3)
    refute_equal dispersion.places('glide', 50, seed: 3), dispersion.places('glide', 50, seed: 4)
  end

  def test_options_reach_nearer_and_farther
    found = dispersion(height: 1800.0)

    assert_in_delta 0.0, found.offset_ft('glide'), 1.0
    assert_operator found.offset_ft('slow'), :<, -200
    assert_operator found.offset_ft('stretch'), :>, 200
    assert_operator found.offset_ft('delay'), :>, 800
    assert_operator found.offset_ft('s_turn'), :<, -200
  end

  def test_a_height_without_room_for_a_circle_does_not_offer_one
    refute_includes dispersion(height: 1000.0).options, 'circle'
    assert_includes dispersion(height: 2500.0).options, 'circle'
  end

  def test_a_steadier_student_stops_nearer
    steady = P::Spread.default.with(speed_kt: 1.0, rotor_pct: 0.5, entry_ft: 30.0, across_ft: 10.0, wind_kt: 0.5, delay_s: 0.1, flare_height_ft: 3.0)
    share = ->(spread) { P::DispersionField.new(dispersion(spread: spread).places('glide', 1000), within_ft: [200.0, 40.0]).probability(0, 0) }

    assert_operator share.call(steady), :>, 1.5 * share.call(P::Spread.default)
  end

  def test_the_field_counts_what_is_inside
    places = [[0.0, 0.0], [90.0, 0.0], [300.0, 10.0], [0.0, 70.0]]
    field = P::DispersionField.new(places, within_ft: [200.0, 40.0])

    assert_in_delta 0.5, field.probability(0, 0)
    assert_in_delta 0.25, field.probability(-300, 0)
    assert_in_delta 0.25, field.probability(0, -60)
    assert_in_delta 0.0, field.probability(2000, 0)
  end

  # A moved entry moves every place with it.
  def test_the_field_agrees_with_counting_run_by_run
    places = dispersion.places('glide', 1000)
    field = P::DispersionField.new(places, within_ft: [200.0, 60.0])

    [[0, 0], [200, 0], [-300, 100], [100, -200]].each do |along, across|
      counted = places.count { |a, x| (a + along).abs <= 200 && (x + across).abs <= 60 } / 1000.0

      assert_in_delta counted, field.probability(along, across), 0.04
    end
  end

  def test_a_spread_needs_five_attempts
    attempt = ->(miss) { { 'glide_ias_mean_kt' => { 'value' => 63.0 + miss, 'target' => 63.0 } } }
    four = P::Spread.from(Array.new(4) { attempt.call(3.0) })
    five = P::Spread.from([3.0, -3.0, 3.0, -3.0, 3.0].map { |m| attempt.call(m) })

    assert_in_delta P::Spread::DEFAULT[:speed_kt], four.speed_kt
    assert_in_delta 3.0, five.speed_kt
    assert_predicate five, :own?
    assert_in_delta P::Spread::DEFAULT[:rotor_pct], five.rotor_pct
  end
end
