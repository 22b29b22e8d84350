# frozen_string_literal: true

require_relative 'test_helper'

# The end of a manoeuvre: the power pulled, the tail rotor's exposure by rotor direction, the trim before the entry.
class PowerPullTest < Minitest::Test
  # A straight-in on 350°, whatever the wind.
  def flown(id, wind, known: true)
    day = conditions(id, wind: Fujin::Wind.parse(wind))
    run = Fujin::Manoeuvres::Autorotation::WholeFlight.new(day, course_deg: 350.0).run
    csv = Fujin::Flight::Recorder.new(type: type(id), origin: SPOT, seed: 2).csv(run)
    csv = without(csv, 'ias_kt') unless known
    grade_csv(csv, day: day, wind: known ? day.wind : nil).proposals.first
  end

  def value(proposal, id) = proposal.measures.fetch(id).value

  # An anticlockwise rotor's bad sector is on the left, a clockwise one's on the right.
  { 'tansy-2' => %w[260/14 080/14], 'bracken-2' => %w[080/14 260/14] }.each do |id, (bad, good)|
    define_method("test_#{id.tr('-', '_')}_is_exposed_on_its_own_side") do
      assert_operator value(flown(id, bad), 'lte_exposure_s'), :>, 1.0
      assert_in_delta 0.0, value(flown(id, good), 'lte_exposure_s'), 0.2
    end
  end

  def test_a_wind_on_the_nose_exposes_nothing =
    assert_in_delta(0.0, value(flown('tansy-2', '350/14'), 'lte_exposure_s'))

  # The peak is at least what the hover takes that it ended in, in the same air.
  def test_the_peak_is_the_hovers_power_or_more
    found = flown('tansy-2', '350/2')
    day = conditions
    hover = 100.0 * day.trim.hover_power_w(height_m: 4.0 * Q::FT) / (type.fetch('engine.limit_kw') * 1000.0)

    assert_operator value(found, 'power_peak_pct'), :>, hover - 4.0
    assert_operator value(found, 'power_peak_pct'), :<, 112.0
    assert_operator value(found, 'power_rise_pct_s'), :>, 10.0
  end

  def test_the_instrument_read_backwards_is_the_power
    %w[tansy-2 yarrow-4].each do |id|
      engine = Fujin::Flight::Engine.new(type(id), Fujin::Atmosphere.new)

      [20_000.0, 60_000.0].each do |power|
        assert_in_delta power, engine.power_of(engine.instrument(power, 0.98), 0.98), 1.0
      end
    end
  end

  # In a crosswind the nose stands beside the track and the aircraft is in trim all the same.
  def test_drift_is_not_out_of_trim = assert_in_delta(0.0, value(flown('tansy-2', '260/14'), 'trim_deg'), 3.0)

  def test_without_a_wind_nothing_is_said_of_trim_and_tail
    found = flown('tansy-2', '260/14', known: false)

    %w[trim_deg lte_exposure_s].each do |id|
      assert_equal 'not_recorded', found.measures[id].verdict
      assert_includes found.measures[id].reason, 'wind is not known'
    end
  end
end
