# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# Limits of the aircraft: passed they are critical whatever was being flown, said once, with their number; a reading's
# tremble is none.
class LimitsPassedTest < Minitest::Test
  # Level flight at 600 ft with something else between 20 s and `until_s`.
  def flown(columns = WrittenFlight::STILL.keys, until_s: 24.0, agl_ft: 600.0, **state)
    flight =
      WrittenFlight.new(50.0, columns: columns) do |t|
        { 'agl_ft' => agl_ft, 'gs_kt' => 70.0, 'ias_kt' => 70.0, 'track_deg' => 350.0 }.merge(
          t.between?(20.0, until_s - 0.05) ? state.transform_keys(&:to_s) : {}
        )
      end
    flight.measured('level_speed_change', { 'level' => [10.0, 40.0] })
  end

  def limit(proposal) = proposal.faults.find { |fault| fault.id == 'exceeded_limit' }

  def inches(pct) =
    (10..400).map { |i| i / 10.0 }.find { |map| 100.0 * engine.power_of(map, 1.0) / engine.limit_w >= pct }

  def engine = @engine ||= Fujin::Flight::Engine.new(type, Fujin::Atmosphere.new)

  def test_inside_everything_there_is_none
    assert_nil limit(flown(nr_pct: 110.0, ne_pct: 104.0, map_inhg: inches(99.0)))
  end

  # 80 to 114 % at any time.
  {
    'too fast' => [116.0, /rotor rpm 116\.0 %, 80 to 114 % at any time/],
    'too slow' => [77.0, /rotor rpm 77\.0 %, 80 to 114 % at any time/]
  }.each do |what, (nr, words)|
    define_method("test_a_rotor_#{what.tr(' ', '_')}_with_when_and_how_much") do
      found = limit(flown(nr_pct: nr))

      assert_match words, found.evidence
      assert_in_delta 20.0, found.from_s, 0.35
      assert_in_delta 24.0, found.to_s, 0.35
    end
  end

  def test_a_reading_is_no_fact
    assert_nil limit(flown(until_s: 20.15, nr_pct: 116.0))
    assert_nil limit(flown(until_s: 21.0, map_inhg: inches(110.0)))
  end

  # Power for two seconds, a rotor for three tenths.
  def test_how_long_it_must_last
    assert_nil limit(flown(until_s: 21.8, map_inhg: inches(112.0)))
    refute_nil limit(flown(until_s: 22.3, map_inhg: inches(112.0)))
    assert_nil limit(flown(until_s: 20.2, nr_pct: 120.0))
    refute_nil limit(flown(until_s: 20.7, nr_pct: 120.0))
  end

  def test_on_the_ground_a_rotor_may_be_slow_and_not_fast
    assert_nil limit(flown(agl_ft: 0.0, nr_pct: 60.0))
    assert_match(/116/, limit(flown(agl_ft: 0.0, nr_pct: 116.0)).evidence)
  end

  def test_an_engine_too_fast_beside_a_rotor_that_is_not
    assert_match(/engine rpm 118\.0 %/, limit(flown(ne_pct: 118.0)).evidence)
  end

  def test_power_over_the_line_for_two_seconds_by_more_than_its_instrument_is_off
    assert_match(/power 11\d % of the engine's limit/, limit(flown(map_inhg: inches(110.0))).evidence)
    assert_nil limit(flown(map_inhg: inches(103.0)))
  end

  def test_two_of_them_are_both_said_over_the_time_of_both
    found = limit(flown(nr_pct: 116.0, ne_pct: 118.0))

    assert_match(/rotor rpm.*; engine rpm/, found.evidence)
  end

  def test_what_was_not_recorded_accuses_nobody
    assert_nil limit(flown(WrittenFlight::STILL.keys - %w[nr_pct ne_pct map_inhg], nr_pct: 130.0))
  end

  # A contact at 540 ft/min of a gyroplane's landing, that has no standard of its own yet; at 400 there is nothing to
  # look at.
  def landing(sink_fpm)
    flight =
      WrittenFlight.new(30.0) do |t|
        before = [15.0 - t, 0.0].max
        kt = t < 15.0 ? 40.0 : [40.0 - (4.0 * (t - 15.0)), 0.0].max
        {
          'agl_ft' => sink_fpm / 60.0 * before,
          'vs_fpm' => t < 15.0 ? -sink_fpm : 0.0,
          'gs_kt' => kt,
          'ias_kt' => kt,
          'track_deg' => 350.0,
          'pitch_deg' => 4.0
        }
      end
    flight.measured(
      'gyro_landing',
      { 'glide' => [0.0, 13.0], 'flare' => [13.0, 15.0], 'touchdown' => [15.0, 16.0] },
      type: type('sorrel-g'),
      course_deg: 350.0
    )
  end

  def test_a_contact_that_the_landing_gear_is_not_built_for
    assert_match(/sink at contact 6\d\d ft.min: inspect the landing gear/, limit(landing(650.0)).evidence)
    assert_nil limit(landing(400.0))
    # Over the 500 ft/min, but not with the whole of its 100.
    assert_nil limit(landing(520.0))
  end

  # Where the manoeuvre's own standard has it as critical, it is said once, in the standard's words.
  def test_what_the_standard_says_is_not_said_again
    low = fly(faults: { 'low_rotor_rpm' => 22.0 }, ending: 'touchdown', seed: 3)
    found = limit(low.proposal)

    refute_nil found
    assert_equal 1, found.evidence.scan('rotor rpm').size + found.evidence.scan('rotor_rpm').size, found.evidence
  end
end
