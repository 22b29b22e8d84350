# frozen_string_literal: true

require_relative 'test_helper'

# Flight time: when a recording left the ground, night by the sun, sums by hand.
class LogbookTest < Minitest::Test
  Logbook = Fujin::Logbook
  DAY = Date.new(2026, 11, 20)

  # What Airborne asks of signals.
  Signals = Struct.new(:channels, :start_s, :step_s) do
    def size = channels.values.first.size
    def signal?(name) = channels.key?(name)
    def [](name) = channels[name]
  end

  def span(agl: nil, gs: nil, step_s: 1.0) = airborne(agl: agl, gs: gs, step_s: step_s).span

  def airborne(agl: nil, gs: nil, step_s: 1.0)
    Logbook::Airborne.new(Signals.new({ agl: agl, gs: gs }.compact, 100.0, step_s))
  end

  def test_off_is_the_first_flight_s_beginning_and_on_the_last_one_s_end
    heights = ([0.5] * 10) + ([20.0] * 30) + ([0.2] * 20) + ([3.1] * 5) + ([3.0] * 10)

    assert_equal [110.0, 164.0], span(agl: heights)
    assert_equal [105.0, 119.5], span(agl: heights, step_s: 0.5), 'five samples of half a second are a bump'
    assert_predicate airborne(agl: heights), :whole?
    refute_predicate airborne(agl: heights.drop(8)), :whole?, 'it begins in the air, or too near to it'
  end

  def test_a_bump_is_no_flight_and_nothing_known_is_nothing_said
    assert_nil span(agl: ([0.0] * 10) + [9.0, 9.0] + ([0.0] * 10))
    assert_nil span(gs: [24.0] * 60)
    assert_equal [105.0, 115.0], span(gs: ([5.0] * 5) + ([26.0] * 11) + ([5.0] * 5))
    assert_nil span
    assert_equal [103.0, 108.0], span(agl: ([Float::NAN] * 3) + ([50.0] * 6) + [Float::NAN])
  end

  # At the equator on the equinox the sun sinks 15° an hour, straight down: 6° under the horizon 24 min after its centre
  # sets, at 18:00 solar time (the equation of time is −7.5 min on 20 March).
  def test_night_begins_with_the_end_of_civil_twilight
    dusk = Time.utc(2026, 3, 20, 18, 7, 30) + (24 * 60)

    assert_in_delta 60, Logbook::Night.minutes(dusk - 3600, dusk + 3600, 0.0, 0.0), 2
    assert_equal 0, Logbook::Night.minutes(dusk - 7200, dusk - 300, 0.0, 0.0)
  end

  def line(days_ago, minutes, kind: 'dual', type: 'Tansy 2', night: 0)
    Logbook::FlightTime.new(on_day: DAY - days_ago, minutes: minutes, night_minutes: night, kind: kind, type_name: type)
  end

  def test_sums_by_hand
    totals = Logbook::Totals.new([line(0, 50), line(27, 40, kind: 'solo'), line(28, 30, night: 10),
                                  line(89, 20, type: 'Sorrel G'), line(90, 60, kind: 'candidate'),
                                  line(1, 45, kind: 'device')])

    assert_equal [200, 10, 45], [totals.minutes, totals.night_minutes, totals.device_minutes]
    assert_equal({ 'dual' => 100, 'solo' => 40, 'candidate' => 60 }, totals.by_kind)
    assert_equal({ 'Sorrel G' => 20, 'Tansy 2' => 180 }, totals.by_type)
    assert_equal({ 28 => 90, 90 => 140 }, totals.within(DAY))
    assert_equal({ '2026-11' => 50, '2026-10' => 70, '2026-08' => 80 }, totals.by_month)
    assert_equal({ 'Sorrel G' => DAY - 89, 'Tansy 2' => DAY }, totals.last_by_type)
  end
end
