# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# A gyroplane's take-off roll, slow flight, vertical descent and landing, written out so that every measure is known.
class GyroMeasuresTest < Minitest::Test
  FT_S = WrittenFlight::FT_S

  def gyro = type('sorrel-g')
  def value(proposal, id) = proposal.measures.fetch(id).value

  def measured(kind, seconds, cut, events: {}, columns: WrittenFlight::STILL.keys + ['stick_pct'], **options, &state)
    WrittenFlight.new(seconds, columns: columns, &state).measured(kind, cut, type: gyro, events: events, **options)
  end

  # The roll of the model, as a recorder would show it, measured: ratio, flap and lift-off are the model's own.
  def test_the_roll_of_the_model_is_measured_as_the_model_has_it
    day = conditions('sorrel-g', people: 'solo')
    roll = Fujin::Manoeuvres::Gyroplane::TakeOffRoll.new(day, prerotated_pct: 55.0).run
    moments = roll.moments
    at = ->(t) { moments[moments.bsearch_index { |m| m.t_s >= t } || -1] }
    off = moments.last.t_s
    found =
      measured(
        'gyro_take_off',
        off + 8.0,
        { 'prerotation' => [0.0, 2.0], 'roll' => [2.0, 2.0 + off], 'climb' => [2.0 + off, off + 7.0] },
        events: {
          lift_off_s: 2.0 + off
        }
      ) do |t|
        now = at.call([t - 2.0, 0.0].max)
        {
          'ias_kt' => now.ias_kt,
          'gs_kt' => now.ground_m_s / Q::KT,
          'nr_pct' => now.rotor_pct,
          'stick_pct' => 90.0,
          'agl_ft' => 8.0 * [t - 2.0 - off, 0.0].max
        }
      end
    held_aft = moments.take_while { |m| m.phase.to_s == 'roll' }

    assert_predicate roll, :lifted_off?
    assert_within held_aft.map(&:advance_ratio).max, value(found, 'roll_advance_ratio_max'), 8
    assert_in_delta held_aft.map(&:flap_deg).max, value(found, 'flap_max_deg'), 1.0
    assert_in_delta moments.last.ias_kt, value(found, 'lift_off_ias_kt'), 0.6
    assert_in_delta moments.last.rotor_pct, value(found, 'lift_off_rotor_rpm_pct'), 0.5
    assert_in_delta 55.0, value(found, 'prerotation_pct'), 0.6
  end

  # The faster the roll for its rotor, the larger the flap: at one airspeed, a rotor a third slower has half as much
  # again.
  def test_flap_grows_with_airspeed_over_tip_speed
    ratio =
      ->(rotor) do
        found =
          measured('gyro_take_off', 20.0, { 'roll' => [2.0, 18.0] }) do |_|
            { 'ias_kt' => 30.0, 'gs_kt' => 30.0, 'nr_pct' => rotor, 'stick_pct' => 90.0 }
          end
        [value(found, 'roll_advance_ratio_max'), value(found, 'flap_max_deg')]
      end
    fast = ratio.call(60.0)
    slow = ratio.call(40.0)

    assert_within 1.5, slow[0] / fast[0], 0.5
    assert_operator slow[1] / fast[1], :>, 1.5
  end

  def test_stick_and_rotor_of_the_roll
    found =
      measured('gyro_take_off', 24.0, { 'prerotation' => [0.0, 4.0], 'roll' => [4.0, 16.0] }) do |t|
        {
          'ias_kt' => 2.0 * [t - 4.0, 0.0].max,
          'gs_kt' => 2.0 * [t - 4.0, 0.0].max,
          'nr_pct' => 50.0 + (3.0 * [t - 4.0, 0.0].max),
          'stick_pct' => t.between?(8.0, 10.0) ? 35.0 : 95.0
        }
      end

    assert_in_delta 50.0, value(found, 'roll_rotor_rpm_min_pct'), 0.8
    assert_in_delta 35.0, value(found, 'roll_stick_min_pct'), 0.01
  end

  def test_without_a_stick_column_it_says_so
    found =
      measured('gyro_take_off', 20.0, { 'roll' => [2.0, 18.0] }, columns: WrittenFlight::STILL.keys) do |_|
        { 'ias_kt' => 30.0, 'gs_kt' => 30.0, 'nr_pct' => 80.0 }
      end

    assert_equal 'not_recorded', found.measures['roll_stick_min_pct'].verdict
    assert_match(/stick/, found.measures['roll_stick_min_pct'].reason)
  end

  def test_slow_flight
    found =
      measured('gyro_slow_flight', 60.0, { 'level' => [10.0, 50.0] }) do |t|
        kt = 28.0 + (4.0 * Math.sin(2.0 * Math::PI * (t - 10.0) / 20.0))
        {
          'ias_kt' => kt,
          'gs_kt' => kt,
          'agl_ft' => 700.0 - (1.5 * [t - 10.0, 0.0].max),
          'hdg_deg' => 350.0 + (0.2 * (t - 10.0).clamp(0.0, 40.0))
        }
      end

    assert_in_delta 28.0, value(found, 'slow_ias_mean_kt'), 0.1
    assert_in_delta 24.0, value(found, 'slow_ias_min_kt'), 0.3
    assert_in_delta 60.0, value(found, 'height_lost_ft'), 0.3
    assert_in_delta 60.0, value(found, 'level_height_max_ft'), 0.3
    assert_in_delta 8.0, value(found, 'level_heading_max_deg'), 0.2
  end

  # 1200 ft/min for twenty seconds from 1000 ft; eight seconds of recovery in which the sink fades evenly: half as much
  # each second.
  def vertical_descent
    measured('gyro_vertical_descent', 50.0, { 'descent' => [10.0, 30.0], 'recovery' => [30.0, 38.0] }) do |t|
      fading = (t - 30.0).clamp(0.0, 8.0)
      lost = (20.0 * (t - 10.0).clamp(0.0, 20.0)) + (20.0 * fading) - (20.0 * fading * fading / 16.0)
      { 'agl_ft' => 1000.0 - lost, 'ias_kt' => t < 30.0 ? 8.0 : 8.0 + (5.0 * fading), 'gs_kt' => 5.0 }
    end
  end

  def test_a_vertical_descent_and_its_recovery
    found = vertical_descent

    assert_in_delta 8.0, value(found, 'slow_ias_min_kt'), 0.1
    assert_in_delta 1200.0, value(found, 'descent_sink_max_fpm'), 5.0
    assert_in_delta 80.0, value(found, 'recovery_height_ft'), 0.5
    assert_in_delta 520.0, value(found, 'recovery_min_height_ft'), 0.5
    assert_in_delta 8.0, value(found, 'recovery_time_s'), 0.01
  end

  # Glide at 55 kt and 900 ft/min, round-out at 15 ft, contact at 20 s on the mainwheels; the nosewheel is kept off for
  # `off_s`.
  def landing(off_s: 3.0, drift_deg: 0.0, bounce_ft: 0.0)
    measured(
      'gyro_landing',
      45.0,
      { 'glide' => [0.0, 17.0], 'flare' => [17.0, 20.0], 'touchdown' => [20.0, 21.0], 'roll_out' => [21.0, 30.0] },
      course_deg: 350.0
    ) do |t|
      after = t - 20.0
      kt = t < 17.0 ? 55.0 : [[55.0 - (8.0 * (t - 17.0)), 31.0].max - (4.0 * [after, 0.0].max), 0.0].max
      height = t < 17.0 ? 15.0 + (15.0 * (17.0 - t)) : [5.0 * -after, 0.0].max
      falls = t < 17.0 ? -900.0 : -300.0
      falls = 0.0 unless after.negative?
      bounced = after.between?(0.5, 1.5) ? bounce_ft * Math.sin(Math::PI * (after - 0.5)) : 0.0
      {
        'agl_ft' => height + bounced,
        'ias_kt' => kt,
        'gs_kt' => kt,
        'track_deg' => 350.0 + drift_deg,
        'hdg_deg' => 350.0,
        'vs_fpm' => falls,
        'pitch_deg' => after > off_s ? 0.0 : 6.0
      }
    end
  end

  def test_the_glide_and_the_round_out
    found = landing

    assert_in_delta 55.0, value(found, 'glide_ias_mean_kt'), 0.1
    assert_in_delta 900.0, value(found, 'glide_sink_fpm'), 8.0
    assert_in_delta 15.0, value(found, 'flare_height_ft'), 0.2
  end

  def test_the_touchdown
    found = landing(drift_deg: 5.0)

    assert_in_delta 300.0, value(found, 'contact_sink_fpm'), 40.0
    assert_in_delta 31.0, value(found, 'contact_groundspeed_kt'), 0.7
    assert_in_delta 31.0 * Math.sin(5.0 * Q::DEG), value(found, 'contact_drift_kt'), 0.15
    assert_in_delta 6.0, value(found, 'contact_pitch_deg'), 0.2
    assert_within 31.0 * 31.0 * FT_S / (2.0 * 4.0), value(found, 'slide_ft'), 4
  end

  [1.0, 3.0, 5.0].each do |off|
    define_method("test_a_nosewheel_kept_off_for_#{off.round}_s") do
      assert_in_delta off, value(landing(off_s: off), 'nosewheel_off_s'), 0.3
    end
  end

  def test_a_nosewheel_that_never_came_down_is_off_for_as_long_as_was_looked
    assert_in_delta 20.0, value(landing(off_s: 99.0), 'nosewheel_off_s'), 0.1
  end

  def test_a_bounce
    assert_in_delta 2.0, value(landing(bounce_ft: 2.0), 'bounce_ft'), 0.1
  end
end
