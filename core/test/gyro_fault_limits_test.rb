# frozen_string_literal: true

require_relative 'fault_limits'

# A gyroplane's rules by their limits.
class GyroFaultLimitsTest < Minitest::Test
  include FaultLimits

  def gyro_landing(kt: 55.0, flare_ft: 15.0)
    sink = 900.0
    falls =
      ->(t) do
        if t < 17.0
          -sink
        else
          -flare_ft * (t < 20.0 ? 20.0 : 0.0)
        end
      end
    flight =
      WrittenFlight.new(45.0) do |t|
        speed = t < 20.0 ? kt : [35.0 - (4.0 * (t - 20.0)), 0.0].max
        height = t < 17.0 ? flare_ft + (sink / 60.0 * (17.0 - t)) : [flare_ft / 3.0 * (20.0 - t), 0.0].max
        {
          'agl_ft' => height,
          'ias_kt' => speed,
          'gs_kt' => speed,
          'track_deg' => 350.0,
          'pitch_deg' => 6.0,
          'vs_fpm' => falls.call(t)
        }
      end
    flight.measured(
      'gyro_landing',
      { 'glide' => [0.0, 16.0], 'flare' => [17.0, 20.0], 'touchdown' => [20.0, 21.0] },
      type: type('sorrel-g'),
      course_deg: 350.0
    )
  end

  # Solo: six knots and two of the instrument either side of the type's; 45 % of the round-out's height.
  def test_a_gyroplanes_landing_by_its_types_numbers
    gyro = type('sorrel-g')
    speed = gyro.glide_speed_kt
    height = gyro.flare_height_ft

    assert_limit(
      'slow_glide',
      gyro_landing(kt: speed - 7.0),
      gyro_landing(kt: speed - 10.0),
      /mean of #{(speed - 10).round} kt on the approach, #{speed.round} kt wanted/
    )
    assert_limit(
      'fast_glide',
      gyro_landing(kt: speed + 7.0),
      gyro_landing(kt: speed + 10.0),
      /mean of #{(speed + 10).round} kt/
    )
    assert_limit(
      'early_flare',
      gyro_landing(flare_ft: (height * 1.45) - 1.0),
      gyro_landing(flare_ft: (height * 1.45) + 8.0),
      /round-out begun at/
    )
  end

  def gyro_flight(kind, cut, &)
    WrittenFlight.new(50.0, &).measured(kind, cut, type: type('sorrel-g'))
  end

  # It sinks by 3 ft a second for as long as it takes: solo, 75 feet are too many.
  def test_slow_flight_behind_the_power_curve
    at =
      ->(lost) do
        gyro_flight('gyro_slow_flight', { 'level' => [10.0, 40.0] }) do |t|
          { 'agl_ft' => 800.0 - (lost / 30.0 * (t - 10.0).clamp(0.0, 30.0)), 'ias_kt' => 26.0, 'gs_kt' => 26.0 }
        end
      end

    assert_limit('slow_glide', at.call(75.0), at.call(85.0), /85 ft lost at 26 kt: behind the power curve/)
  end

  def test_a_recovery_by_the_height_that_is_left
    at =
      ->(lowest) do
        gyro_flight('gyro_vertical_descent', { 'descent' => [10.0, 30.0], 'recovery' => [30.0, 38.0] }) do |t|
          { 'agl_ft' => lowest + (15.0 * (38.0 - t).clamp(0.0, 28.0)), 'ias_kt' => 10.0, 'gs_kt' => 8.0 }
        end
      end

    assert_limit('late_decision', at.call(701.0), at.call(600.0), /recovered at 600 ft, by 700 ft it is over/)
  end

  def test_a_balked_landing_by_the_speed_that_is_left
    # Solo: eight knots over the lowest at which it flies level, 26.4.
    least = 34.4
    at =
      ->(kt) do
        gyro_flight(
          'gyro_balked_landing',
          { 'descent' => [5.0, 20.0], 'recovery' => [20.0, 26.0], 'climb' => [26.0, 40.0] }
        ) { |_| { 'agl_ft' => 120.0, 'ias_kt' => kt, 'gs_kt' => kt } }
      end

    assert_limit(
      'late_decision',
      at.call(least - 1.0),
      at.call(least - 4.0),
      /#{(least - 4).round} kt left when it was broken off, #{least.round} kt at least/
    )
  end

  # @param stick [Proc] percent aft at a time
  def roll(prerotated: 60.0, gain: 1.0, least: prerotated, stick: ->(_) { 90.0 })
    gyro = type('sorrel-g')
    flight =
      WrittenFlight.new(30.0, columns: WrittenFlight::STILL.keys + ['stick_pct']) do |t|
        kt = 2.0 * (t - 4.0).clamp(0.0, 15.0)
        { 'ias_kt' => kt, 'gs_kt' => kt, 'nr_pct' => least + (gain * kt), 'stick_pct' => stick.call(t) }
      end
    flight.measured('gyro_take_off', { 'prerotation' => [0.0, 4.0], 'roll' => [4.0, 19.0] }, type: gyro)
  end

  def test_a_roll_by_what_the_rotor_gains_while_the_speed_grows
    assert_limit(
      'stick_forward_too_long',
      roll(gain: 0.3),
      roll(gain: 0.1),
      /rotor rpm gained \d\.\d points from 8 to 28 kt/
    )
  end

  # At 22 kt, before the 28 by which the gain is counted otherwise: back by 30 % of its travel in half a second is
  # eased, by 40 % it is snatched.
  def test_a_stick_snatched_back_while_the_rotor_is_slow
    back = ->(pct) { ->(t) { t < 15.0 ? 20.0 : 20.0 + (pct * [(t - 15.0) / 0.5, 1.0].min) } }

    assert_limit(
      'stick_forward_too_long',
      roll(gain: 0.3, stick: back.call(40.0)),
      roll(gain: 0.1, stick: back.call(40.0)),
      /rotor rpm gained \d\.\d points from 8 to 2\d kt, then the stick was snatched back/
    )
    eased = roll(gain: 0.1, stick: back.call(30.0)).faults.find { |one| one.id == 'stick_forward_too_long' }

    refute_match(/snatched/, eased.evidence)
  end

  def test_a_roll_with_a_rotor_slower_than_its_type_wants
    least = type('sorrel-g').fetch('prerotation.minimum_pct')

    assert_limit(
      'slow_rotor_roll',
      roll(least: least + 5.0),
      roll(least: least - 20.0),
      /rotor rpm \d+ % at over 15 kt, #{least.round} % is the type's least|blade flap/
    )
  end
end
