# frozen_string_literal: true

require_relative 'test_helper'

# The needles of a flight that is followed: what is believed, what jumps, what stands still, what they come to.
class InstrumentsTest < Minitest::Test
  FLYING = { 'ias_kt' => 60.31, 'gs_kt' => 55.27, 'agl_ft' => 500.13, 'nr_pct' => 100.0, 'roll_deg' => -3.4 }.freeze

  # The needles after each sample, ten a second; the block says what is sent at a time.
  def read(seconds, step_s: 0.1)
    needles = Fujin::Live::Instruments.new(type, 200.0)
    (0..(seconds / step_s).round).map do |i|
      t = (i * step_s).round(3)
      needles.take({ 't_s' => t }.merge(yield(t)))
      [t, needles.values, needles.doubts, needles.driven]
    end
  end

  # In flight every reading trembles; here by a digit that comes and goes.
  def trembling(time, **more)
    by = (time * 10).round.even? ? 0.01 : 0.0
    FLYING.merge('ias_kt' => 60.31 + by, 'gs_kt' => 55.27 + by,
                 'agl_ft' => 500.13 + by).merge(more.transform_keys(&:to_s))
  end

  def test_what_is_sent_is_shown_bank_either_way
    _, values, doubts = read(2.0) { |t| trembling(t) }.last

    assert_in_delta 60.3, values['ias_kt'], 0.05
    assert_in_delta 3.4, values['bank_deg'], 1e-9
    assert_in_delta 0.0, values['sink_fpm'], 2.0
    assert_empty doubts
  end

  # 20 ft a second; known from half a second on.
  def test_a_sink_is_the_height_s_own
    readings = read(3.0) { |t| trembling(t, agl_ft: 900.0 - (20.0 * t)) }

    assert_nil readings.find { |t, _| t >= 0.4 }[1]['sink_fpm']
    assert_in_delta 1200.0, readings.find { |t, _| t >= 0.6 }[1]['sink_fpm'], 1.0
    assert_in_delta 1200.0, readings.last[1]['sink_fpm'], 1.0
  end

  def test_where_there_is_no_height_the_instrument_says_the_sink
    _, values, = read(1.0) { |t| trembling(t).except('agl_ft').merge('vs_fpm' => -640.0) }.last

    assert_in_delta 640.0, values['sink_fpm'], 1e-9
    refute_includes values, 'height_ft'
  end

  # 200 ft of ground under an altitude; shaft speed for percent.
  def test_what_is_not_sent_is_worked_out_where_that_is_honest
    _, values, = read(1.0) do |t|
      { 'ias_kt' => 60.3 + (0.1 * t), 'alt_msl_ft' => 740.0, 'rotor_rpm' => 0.95 * type.normal_rotor_rpm }
    end.last

    assert_in_delta 540.0, values['height_ft'], 1e-9
    assert_in_delta 95.0, values['rotor_rpm_pct'], 1e-6
  end

  # From one sample to the next: 15 kt and 15 kt a second, 10 points and 30, 60 ft and 100; on either side.
  {
    'ias_kt' => ['ias_kt', 60.31, 15.0 + 1.5], 'rotor_rpm_pct' => ['nr_pct', 100.0, 10.0 + 3.0],
    'height_ft' => ['agl_ft', 500.13, 60.0 + 10.0], 'groundspeed_kt' => ['gs_kt', 55.27, 15.0 + 1.5]
  }.each do |name, (channel, usual, most)|
    { 0.2 => 'jumped', -0.2 => nil }.each do |more, doubt|
      define_method("test_a_#{name}_that_leaps_by_#{doubt ? 'more' : 'less'}_than_it_can") do
        leap = { channel.to_sym => usual - most - more }
        readings = read(4.0) { |t| t >= 2.0 ? trembling(t, **leap) : trembling(t, channel.to_sym => usual) }
        leaps = readings.find { |t, _| t >= 2.0 }

        doubt ? assert_equal(doubt, leaps[2][name]) : assert_nil(leaps[2][name])
        assert_equal doubt.nil?, leaps[1].key?(name)
        assert_includes readings.find { |t, _| t >= 3.1 }[1], name, 'believed again'
      end
    end
  end

  # A reading of several digits that stays for 5 s stands still; one of whole knots may; one on the ground may.
  def test_a_needle_that_stands_still
    still = read(9.0) { |t| trembling(t, ias_kt: 61.37) }

    assert_includes still.find { |t, _| t >= 4.9 }[1], 'ias_kt'
    assert_equal 'stands still', still.find { |t, _| t >= 5.1 }[2]['ias_kt']
    assert_empty read(9.0) { |t| trembling(t, ias_kt: 61.0) }.last[2]
    assert_empty read(9.0) { |t| trembling(t, agl_ft: 0.42) }.last[2]
    standing = read(9.0) { { 'ias_kt' => 8.31, 'gs_kt' => 0.21, 'agl_ft' => 4.17 } }

    assert_empty standing.last[2], 'nothing is said of one that stands or hovers'
  end

  # The whole sample again and again: after two seconds nothing of it is believed.
  def test_a_recorder_that_repeats_itself
    readings = read(5.0) { |t| t < 2.0 ? trembling(t) : FLYING }

    assert_includes readings.find { |t, _| t >= 3.8 }[1], 'rotor_rpm_pct'
    late = readings.find { |t, _| t >= 4.2 }

    assert_empty late[1].except('sink_fpm')
    assert_equal ['stands still'], late[2].values.uniq
  end

  # Needles a point apart; a throttle at ten percent; nothing that tells.
  def test_whether_the_engine_drives_the_rotor
    driven = ->(**sent) { read(0.5) { |t| trembling(t, **sent) }.last[3] }

    assert_equal [true, false], [driven.call(ne_pct: 99.1), driven.call(ne_pct: 98.9)]
    assert_equal [true, false], [driven.call(throttle_pct: 10.0), driven.call(throttle_pct: 9.9)]
    assert_nil driven.call
  end

  # A clock that was set back: nothing of before counts.
  def test_a_restart_begins_anew
    needles = Fujin::Live::Instruments.new(type, nil)
    needles.take('t_s' => 5000.0, 'ias_kt' => 60.0, 'agl_ft' => 900.0)
    needles.take('t_s' => 1400.0, 'ias_kt' => 20.0, 'agl_ft' => 100.0)

    assert_in_delta 20.0, needles.values['ias_kt'], 1e-9
    assert_empty needles.doubts
    refute_includes needles.values, 'sink_fpm'
  end
end
