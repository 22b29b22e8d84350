# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_edges'

# What is just enough to be an attempt, and what is just not: recordings without noise, on either side of each
# boundary's number (docs/reference/boundaries.md).
class FinderEdgesTest < Minitest::Test
  include WrittenEdges

  def hover(height: 5.0, speed: 0.0, from: 20.0, to: 40.0, heading: ->(_) { 350.0 })
    ->(t) do
      inside = t.between?(from, to)
      { 'agl_ft' => inside ? height : 60.0, 'gs_kt' => inside ? speed : 8.0, 'ias_kt' => 8.0,
        'hdg_deg' => heading.call(t) }
    end
  end

  def test_a_hover_by_height_speed_and_time
    assert_equal 1, found('hover', hover).size
    { height: { 2.2 => 1, 1.8 => 0, 14.8 => 1, 15.2 => 0 }, speed: { 2.9 => 1, 3.1 => 0 },
      to: { 30.3 => 1, 29.4 => 0 } }.each do |what, edges|
      edges.each { |value, count| assert_equal count, found('hover', hover(what => value)).size, "#{what} #{value}" }
    end
  end

  def test_a_hover_turn_by_rate_and_angle
    { [5.3, 12.0] => 1, [4.7, 14.0] => 0, [9.0, 5.4] => 1, [9.0, 4.6] => 0 }.each do |(rate, seconds), count|
      heading = along([0.0, 350.0], [24.0, 350.0], [24.0 + seconds, 350.0 + (rate * seconds)],
                      [60.0, 350.0 + (rate * seconds)])

      assert_equal count, found('hover_turn', hover(to: 50.0, heading: heading)).size, "#{rate}°/s, #{seconds} s"
    end
  end

  def slowed(to_kt: 58.0, climbed_ft: 0.0)
    speed = along([0.0, 70.0], [25.0, 70.0], [37.0, to_kt], [70.0, to_kt])
    height = along([0.0, 600.0], [25.0, 600.0], [37.0, 600.0 + climbed_ft], [70.0, 600.0 + climbed_ft])
    ->(t) { { 'agl_ft' => height.call(t), 'gs_kt' => speed.call(t), 'ias_kt' => speed.call(t) } }
  end

  def test_a_level_speed_change_by_speed
    assert_equal 1, found('level_speed_change', slowed(to_kt: 59.0), seconds: 70.0).size
    assert_empty found('level_speed_change', slowed(to_kt: 61.0), seconds: 70.0)
    assert_equal 1, found('level_speed_change', slowed(climbed_ft: 190.0), seconds: 70.0).size
    assert_empty found('level_speed_change', slowed(climbed_ft: 210.0), seconds: 70.0)
  end

  # A change from 70 to 55 kt in level flight, otherwise so: the whole of it higher or lower, climbing, turning.
  def changed(to_kt: 55.0, agl: 600.0, fpm: 0.0, turned: 0.0, over_s: 12.0, from_kt: 70.0)
    speed = along([0.0, from_kt], [25.0, from_kt], [25.0 + over_s, to_kt], [120.0, to_kt])
    nose = along([0.0, 350.0], [25.0, 350.0], [25.0 + over_s, 350.0 + turned], [120.0, 350.0 + turned])
    ->(t) do
      { 'agl_ft' => agl + (fpm * t / 60.0), 'gs_kt' => speed.call(t), 'ias_kt' => speed.call(t),
        'hdg_deg' => nose.call(t), 'vs_fpm' => fpm }
    end
  end

  def test_a_level_speed_change_by_height_heading_climb_and_time
    { { agl: 110.0 } => 1, { agl: 90.0 } => 0, { turned: 28.0 } => 1, { turned: 32.0 } => 0,
      { fpm: 235.0 } => 1, { fpm: 265.0 } => 0,
      { to_kt: 27.0, from_kt: 45.0 } => 1, { to_kt: 23.0, from_kt: 45.0 } => 0,
      { over_s: 55.0, from_kt: 90.0, to_kt: 55.0 } => 1, { over_s: 66.0, from_kt: 90.0, to_kt: 55.0 } => 0 }
      .each do |how, count|
        assert_equal count, found('level_speed_change', changed(**how), seconds: 110.0).size, how.inspect
      end
  end

  # The warning of the type is at 96 %.
  def drooped(low_pct: 93.0, recovered: true)
    rotor = along([0.0, 100.0], [20.0, 100.0], [26.0, low_pct], [30.0, recovered ? 100.0 : low_pct], [60.0, 100.0])
    collective = along([0.0, 50.0], [26.0, 50.0], [27.0, 40.0], [60.0, 40.0])
    ->(t) do
      { 'agl_ft' => 400.0, 'gs_kt' => 60.0, 'ias_kt' => 60.0, 'nr_pct' => rotor.call(t), 'ne_pct' => rotor.call(t),
        'collective_pct' => collective.call(t) }
    end
  end

  def test_a_low_rotor_rpm_by_the_type_s_warning
    warning = type.low_warning_pct

    assert_equal 1, found('low_rotor_rpm_recovery', drooped(low_pct: warning - 0.6)).size
    assert_empty found('low_rotor_rpm_recovery', drooped(low_pct: warning + 0.3))
  end

  # Which hand mended it: the collective down by two, the throttle up by three, else it is a guess.
  def mended(down: 0.0, up: 0.0, recovers_s: 10.0, agl: 400.0)
    back = 20.0 + recovers_s
    rotor = along([0.0, 100.0], [20.0, 100.0], [24.0, 93.0], [26.0, 97.5], [back - 1.0, 97.5], [back, 100.0],
                  [90.0, 100.0])
    hand = along([0.0, 0.0], [24.0, 0.0], [25.0, 1.0], [90.0, 1.0])
    state = ->(t) do
      { 'agl_ft' => agl, 'gs_kt' => 60.0, 'ias_kt' => 60.0, 'nr_pct' => rotor.call(t), 'ne_pct' => rotor.call(t),
        'collective_pct' => 50.0 - (down * hand.call(t)), 'throttle_pct' => 80.0 + (up * hand.call(t)) }
    end
    found('low_rotor_rpm_recovery', state, seconds: 90.0)
  end

  def test_a_low_rotor_rpm_is_mended_by_a_hand_that_moved_so_far
    guessed = ->(**how) { mended(**how).first.phase('recovery').estimated }

    assert_equal([true, false], [1.7, 2.3].map { |pct| guessed.call(down: pct) })
    assert_equal([true, false], [2.6, 3.4].map { |pct| guessed.call(up: pct) })
  end

  def test_a_low_rotor_rpm_that_is_over_within_forty_seconds_and_was_flown
    assert_equal([1, 0], [44.0, 48.0].map { |seconds| mended(down: 10.0, recovers_s: seconds).size })
    assert_equal([0, 1], [1.3, 1.7].map { |feet| mended(down: 10.0, agl: feet).size })
  end

  # The throttle closed in a hover, the height kept for a while, then down to the ground at an even rate.
  def settled(height: 5.0, speed: 0.0, keeps_s: 1.0, falls_s: 2.0)
    path = along([0.0, 0.0], [5.0, 0.0], [8.0, height], [20.0 + keeps_s, height], [20.0 + keeps_s + falls_s, 0.0],
                 [60.0, 0.0])
    state = ->(t) do
      closed = t >= 20.0
      down = t >= 20.0 + keeps_s + falls_s
      kt = t < 8.0 || down ? 0.0 : speed
      { 'agl_ft' => path.call(t), 'gs_kt' => kt, 'ias_kt' => kt, 'throttle_pct' => closed ? 0.0 : 80.0,
        'vs_fpm' => t.between?(20.0 + keeps_s, 20.0 + keeps_s + falls_s) ? -60.0 * height / falls_s : 0.0,
        'collective_pct' => t < 6.0 || t > 30.0 ? 0.0 : 40.0, 'nr_pct' => closed ? 92.0 : 100.0,
        'ne_pct' => closed ? 70.0 : 100.0 }
    end
    found('hovering_autorotation', state)
  end

  def test_a_hovering_autorotation_by_height_speed_and_time
    assert_equal 1, settled.size
    { height: { 1.7 => 1, 1.3 => 0, 14.6 => 1, 15.4 => 0 }, speed: { 9.5 => 1, 10.5 => 0 },
      keeps_s: { 5.2 => 1, 7.4 => 0 } }.each do |what, edges|
      edges.each { |value, count| assert_equal count, settled(what => value).size, "#{what} #{value}" }
    end
    # It settles once 15 % of 5 ft are lost, three tenths of a second into two.
    assert_in_delta 21.3, settled.first.phase('settle').start_s, 0.15
  end

  def slow(speed: 25.0, seconds: 20.0, climb_fpm: 0.0)
    ->(t) do
      inside = t.between?(20.0, 20.0 + seconds)
      height = 500.0 + (inside ? climb_fpm * (t - 20.0) / 60.0 : 0.0)
      { 'agl_ft' => height, 'gs_kt' => inside ? speed : 60.0, 'ias_kt' => inside ? speed : 60.0 }
    end
  end

  def test_a_gyroplane_s_slow_flight_by_speed_and_time
    count = ->(**given) { found('gyro_slow_flight', slow(**given), id: 'sorrel-g').size }

    assert_equal 1, count.call
    assert_equal([1, 0], [34.5, 35.5].map { |speed| count.call(speed: speed) })
    assert_equal([0, 1], [9.5, 10.5].map { |speed| count.call(speed: speed) })
    assert_equal([0, 1], [8.5, 12.5].map { |seconds| count.call(seconds: seconds) })
    assert_equal([1, 0], [185.0, 215.0].map { |fpm| count.call(climb_fpm: -fpm) })
  end

  def vertical(speed: 6.0, sink: 600.0, from_ft: 1200.0, for_s: 20.0)
    over_s = 20.0 + for_s
    outside = along([0.0, 60.0], [20.0, 60.0], [over_s, speed], [over_s + 10.0, 60.0], [60.0, 60.0])
    ->(t) do
      fallen = sink * (t.clamp(20.0, over_s) - 20.0) / 60.0
      kt = t.between?(20.0, over_s) ? speed : outside.call(t)
      { 'agl_ft' => from_ft - fallen, 'gs_kt' => kt, 'ias_kt' => kt }
    end
  end

  def test_a_gyroplane_s_vertical_descent_by_speed_and_sink
    count = ->(**given) { found('gyro_vertical_descent', vertical(**given), id: 'sorrel-g').size }

    assert_equal([1, 0], [9.5, 10.5].map { |speed| count.call(speed: speed) })
    assert_equal([0, 1], [280.0, 320.0].map { |sink| count.call(sink: sink) })
    # Three seconds of it over 100 ft: ten feet a second.
    assert_equal([0, 1], [120.0, 150.0].map { |feet| count.call(from_ft: feet, for_s: 5.0) })
  end

  # Standing, then away: speed and height from nothing to what is reached, then level. The climb speed is 58 kt.
  def take_off(reached_kt: 60.0, reached_ft: 120.0, from_s: 30.0, steep_deg: nil)
    speed = along([0.0, 0.0], [20.0, 0.0], [40.0, reached_kt], [60.0, reached_kt])
    height = along([0.0, 5.0], [from_s, 5.0], [40.0, reached_ft], [60.0, reached_ft])
    flown = 0.0
    ->(t) do
      flown += speed.call(t) * WrittenFlight::FT_S * WrittenFlight::STEP_S
      feet = steep_deg ? [5.0 + (flown * Math.tan(steep_deg * Q::DEG)), 500.0].min : height.call(t)
      { 'agl_ft' => feet, 'gs_kt' => speed.call(t), 'ias_kt' => speed.call(t), 'north_ft' => flown }
    end
  end

  # Standing at a height and a pace, then away within so long.
  def away(stands_ft: 5.0, stands_kt: 0.0, within_s: 20.0)
    there = 20.0 + within_s
    speed = along([0.0, stands_kt], [20.0, stands_kt], [there, 60.0], [200.0, 60.0])
    height = along([0.0, stands_ft], [20.0 + (0.1 * within_s), stands_ft], [there, 150.0], [200.0, 150.0])
    ->(t) { { 'agl_ft' => height.call(t), 'gs_kt' => speed.call(t), 'ias_kt' => speed.call(t) } }
  end

  def test_a_take_off_by_where_it_stood_and_how_long_it_took
    { { stands_ft: 19.0 } => 1, { stands_ft: 21.0 } => 0, { stands_kt: 2.8 } => 1, { stands_kt: 3.2 } => 0,
      { within_s: 98.0 } => 1, { within_s: 110.0 } => 0 }.each do |how, count|
      off = grade_csv(WrittenFlight.new(150.0, &away(**how)).csv, day: conditions(wind: CALM)).proposals

      assert_equal count, off.count { |one| one.attempt.manoeuvre.end_with?('take_off') }, how.inspect
    end
  end

  def test_a_take_off_by_the_speed_and_the_height_that_are_reached
    count = ->(**given) { found('hover_power_take_off', take_off(**given)).size }

    assert_equal([0, 1], [54.0, 56.0].map { |kt| count.call(reached_kt: kt) })
    assert_equal([0, 1], [48.0, 52.0].map { |ft| count.call(reached_ft: ft) })
  end

  def test_a_take_off_steeper_than_eight_degrees_is_one_of_maximum_performance
    { 7.5 => 'hover_power_take_off', 8.5 => 'maximum_performance_take_off' }.each do |degrees, kind|
      assert_equal 1, found(kind, take_off(steep_deg: degrees)).size, "#{degrees}°"
    end
  end

  # Down a line from 400 ft at 40 kt, slowing over the last 150 ft, to a hover at 5 ft.
  def approach(degrees)
    height = 400.0
    away = -height / Math.tan(degrees * Q::DEG)
    ->(t) do
      speed = t < 20.0 ? 40.0 : [40.0, 40.0 * [(height - 3.0) / 150.0, 0.0].max].min
      feet = speed * WrittenFlight::FT_S * WrittenFlight::STEP_S
      height = [height - (feet * Math.tan(degrees * Q::DEG)), 5.0].max if t >= 20.0
      away += feet
      still = height <= 5.0
      { 'agl_ft' => height, 'gs_kt' => still ? 0.0 : speed, 'ias_kt' => still ? 0.0 : speed, 'north_ft' => away }
    end
  end

  def test_an_approach_is_steep_from_eleven_and_a_half_degrees
    { 10.8 => 'normal_approach', 12.2 => 'steep_approach' }.each do |degrees, kind|
      assert_equal 1, found(kind, approach(degrees), seconds: 110.0).size, "#{degrees}°"
    end
  end

  # From the ground to a foot and a half in a second, so that it stands under a foot for two thirds of one more; waits
  # there; then to a height, and steady there.
  def lift_off(height: 3.0, steady_s: 12.0, speed: 0.0, waits_s: 0.0, climb_fpm: 0.0, stood_s: 20.0)
    up = stood_s + 1.0
    there = up + waits_s + 2.0
    leaves = there + steady_s
    held = height + (climb_fpm / 60.0 * steady_s)
    path = along([0.0, 0.0], [stood_s, 0.0], [up, 1.5], [up + waits_s, 1.5], [there, height], [leaves, held],
                 [leaves + 3.0, 60.0], [90.0, 60.0])
    ->(t) do
      kt = t < stood_s ? 0.0 : speed
      { 'agl_ft' => path.call(t), 'gs_kt' => t > leaves ? 20.0 : kt, 'ias_kt' => t > leaves ? 20.0 : kt }
    end
  end

  def lift_offs(**given) = found('lift_off_and_set_down', lift_off(**given), seconds: 90.0).size

  def test_a_lift_off_by_the_height_it_comes_to_and_how_steadily
    assert_equal 1, lift_offs
    lift_offs_by(height: { 2.4 => 1, 2.0 => 0 }, steady_s: { 2.2 => 1, 1.2 => 0 }, climb_fpm: { 34.0 => 1, 46.0 => 0 })
  end

  def test_a_lift_off_in_place_that_stood_before_and_takes_no_longer_than_twenty_seconds
    lift_offs_by(speed: { 3.8 => 1, 4.2 => 0 }, stood_s: { 1.6 => 1, 1.1 => 0 }, waits_s: { 16.0 => 1, 21.0 => 0 })
  end

  private

  def lift_offs_by(edges)
    edges.each do |what, counts|
      counts.each { |value, count| assert_equal count, lift_offs(what => value), "#{what} #{value}" }
    end
  end
end
