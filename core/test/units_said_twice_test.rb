# frozen_string_literal: true

require_relative 'test_helper'

# A channel in another unit than its heading says is found by what the file says twice; each number on either side, in
# files written out here.
class UnitsSaidTwiceTest < Minitest::Test
  # @yield [t_s] the columns at a time
  # @return [String] what the reading says of it
  def said(seconds: 60, step_s: 1.0)
    rows = (0..(seconds / step_s).round).map { |i| { 't_s' => (i * step_s).round(2) }.merge(yield(i * step_s)) }
    text = [rows.first.keys.join(','), *rows.map { |row| row.values.join(',') }, ''].join("\n")
    Fujin::Recordings.read(text, name: 'flight.csv').notes.join("\n")
  end

  def airspeed(ratio, gs_kt: 70.0, **more) = said(**more) { { 'ias_kt' => gs_kt * ratio, 'gs_kt' => gs_kt } }

  def test_an_airspeed_in_metres_a_second_or_kilometres_an_hour
    { 0.39 => nil, 0.41 => 'm/s', 0.61 => 'm/s', 0.63 => nil, 1.53 => nil, 1.57 => 'km/h', 2.38 => 'km/h', 2.42 => nil }
      .each { |ratio, unit| assert_told unit, airspeed(ratio), ratio }
    assert_includes airspeed(0.5), 'ias_kt was left out: it is 0.5 times the ground speed throughout'
  end

  # A strong wind makes the same ratio of speeds that are flown; of slow ones and of few samples nothing is known.
  def test_speeds_that_are_flown_slow_ones_and_a_few_samples_are_left_alone
    [[{ gs_kt: 109.0 }, 0.5, 'm/s'], [{ gs_kt: 111.0 }, 0.5, nil], [{ gs_kt: 66.0 }, 1.6, 'km/h'],
     [{ gs_kt: 65.0 }, 1.6, nil], [{ gs_kt: 25.5 }, 0.5, 'm/s'], [{ gs_kt: 24.5 }, 0.5, nil],
     [{ seconds: 19 }, 0.5, 'm/s'], [{ seconds: 18 }, 0.5, nil]]
      .each { |how, ratio, unit| assert_told unit, airspeed(ratio, **how), how }
  end

  # Nearly one in twenty may be a gust or a dropout.
  def test_the_fastest_is_told_without_the_fastest_twentieth
    shown = ->(fast) do
      said(seconds: 99) { |t| { 'ias_kt' => t < fast ? 60.0 : 35.0, 'gs_kt' => t < fast ? 120.0 : 70.0 } }
    end

    assert_includes shown.call(4), 'm/s'
    assert_empty shown.call(5)
  end

  def test_a_rotor_speed_that_is_a_share
    { 0.19 => false, 0.21 => true, 2.9 => true, 3.1 => false }.each do |most, share|
      assert_equal share, said { { 'nr_pct' => most } }.include?('a share and not percent'), most
    end
    assert_includes said { { 'nr_pct' => 1.016 } }, 'it never passes 1.02'
  end

  # Northwards at 60 kt: a minute of latitude a minute.
  def ground_speed(shown_kt, moves_kt: 60.0)
    said { |t| { 'lat_deg' => 47.0 + (t * moves_kt / 216_000.0), 'lon_deg' => -14.0, 'gs_kt' => shown_kt } }
  end

  def test_a_ground_speed_within_six_percent_of_another_unit
    { 60.0 * 0.5144 => 'm/s', 60.0 * 1.852 => 'km/h', 60.0 * 1.1508 => 'mph' }.each do |shown, unit|
      [0.95, 1.05].each { |off| assert_includes ground_speed(shown * off), unit, "#{unit}, #{off}" }
      [0.93, 1.07].each { |off| assert_empty ground_speed(shown * off), "#{unit}, #{off}" }
    end
    assert_includes ground_speed(60.0 * 0.5), 'the positions move 2.0 times as fast'
  end

  def test_positions_that_hardly_move_say_nothing_of_the_speed
    assert_includes ground_speed(26.0 * 0.5144, moves_kt: 26.0), 'm/s'
    assert_empty ground_speed(24.0 * 0.5144, moves_kt: 24.0)
  end

  # A climb at 300 ft/min, shown as so many times that.
  def climb(ratio, fpm: 300.0, **more)
    said(**more) { |t| { 'agl_ft' => 100.0 + (fpm * t / 60.0), 'vs_fpm' => fpm * ratio } }
  end

  def test_a_vertical_speed_within_six_percent_of_another_unit
    { 3.2808 => 'metres', 0.3048 => 'm/min', 0.00508 => 'm/s', 0.01667 => 'ft/s' }.each do |ratio, unit|
      [0.95, 1.05].each { |off| assert_includes climb(ratio * off), "looks like #{unit}", "#{unit}, #{off}" }
      [0.93, 1.07].each { |off| assert_empty climb(ratio * off), "#{unit}, #{off}" }
    end
    assert_includes climb(0.30484), 'differ by a factor of 0.305'
  end

  # Which of the two is wrong: heights in metres climb too slowly, everything else is the speed's.
  def test_the_channel_that_is_wrong_is_left_out
    assert_includes climb(3.2808), 'agl_ft was left out'
    assert_includes climb(0.3048), 'vs_fpm was left out'
  end

  def test_heights_that_hardly_change_say_nothing_of_it
    assert_includes climb(0.3048, fpm: 61.0), 'm/min'
    assert_empty climb(0.3048, fpm: 59.0)
    # Twenty pairs of rows two seconds apart, and nineteen.
    assert_includes climb(0.3048, seconds: 21), 'm/min'
    assert_empty climb(0.3048, seconds: 20)
  end

  private

  # @param unit [String, nil] nil where nothing is to be said
  def assert_told(unit, said, how)
    unit ? assert_includes(said, "looks like #{unit}", how) : assert_empty(said, how)
  end
end
