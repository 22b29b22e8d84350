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

  # The power comes back as a person brings it: a third of the lever's travel a second, the rotor in its band.
  # It was slammed: up to 63 % within a second, rotor rpm down to 89 %.
  [['tansy-2', 'dual', '350/8'], ['tansy-2', 'solo', '350/2'], ['yarrow-4', 'dual', '350/0'],
   ['yarrow-4', 'solo', '350/15'], ['bracken-2', 'dual', '020/15']].each do |id, people, wind|
    define_method("test_the_power_is_pulled_evenly_in_#{id.tr('-', '_')}_#{people}_#{wind.tr('/', '_')}") do
      day = conditions(id, people: people, wind: Fujin::Wind.parse(wind))
      rows = Fujin::Manoeuvres::Autorotation::WholeFlight.new(day, course_deg: 350.0).run.rows
      last = rows.drop_while { |row| row.phase != :flare }
      second = (1.0 / (last[1].t_s - last[0].t_s)).round

      raised = last.each_cons(second + 1).map { |all| all.last.collective_share - all.first.collective_share }

      assert_operator raised.max, :<, 0.36
      assert_operator last.map(&:rotor_pct).min, :>, 94.0
      assert_in_delta 4.0, last.last.height_m / Q::FT, 0.5
    end
  end

  # With the ground near and too little flared, the pull is as quick as the time asks for, and no more than twice the
  # usual: 600 and 440 ft/min into the ground before.
  [['bracken-2', 'dual', '020/15', { 'weak_flare' => 0.45 }], ['bracken-2', 'solo', '350/5', { 'slow_glide' => 14.0 }],
   ['yarrow-4', 'dual', '350/0', { 'weak_flare' => 0.6 }]].each do |id, people, wind, faults|
    define_method("test_a_pull_answers_the_sink_in_#{id.tr('-', '_')}_#{people}_after_a_#{faults.keys.first}") do
      day = conditions(id, people: people, wind: Fujin::Wind.parse(wind))
      rows = Fujin::Manoeuvres::Autorotation::WholeFlight.new(day, course_deg: 350.0, faults: faults).run.rows
      last = rows.drop_while { |row| row.phase != :flare }
      second = (1.0 / (last[1].t_s - last[0].t_s)).round

      raised = last.each_cons(second + 1).map { |all| all.last.collective_share - all.first.collective_share }

      assert_operator last.map(&:height_m).min, :>, 0.0
      assert_operator raised.max, :>, 0.36
      assert_operator raised.max, :<, 0.62
    end
  end

  # Counted from the engine winding up, which here is before levelling: a quick rise there is not missed.
  def test_a_rise_before_levelling_counts
    found = flown('tansy-2', '350/2')

    assert_operator found.attempt.event(:power_on_s), :<, found.attempt.event(:level_s)
    assert_operator value(found, 'power_rise_pct_s'), :>, 20.0
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
