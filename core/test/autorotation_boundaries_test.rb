# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# Where an autorotation begins, is steady, flares and has its power back, in recordings written from formulas.
class AutorotationBoundariesTest < Minitest::Test
  A = Fujin::Manoeuvres::Autorotation
  SATELLITE = %w[north_ft east_ft agl_ft gs_kt track_deg].freeze

  def signals(seconds, columns: WrittenFlight::STILL.keys, &state)
    signals_of(WrittenFlight.new(seconds, columns: columns, &state).csv, conditions(wind: Fujin::Wind.calm))
  end

  def along(points) = ->(t) { Q.interpolate(points, t) }

  # Nothing but positions, heights and speeds. The speed that comes off holds the sink up for two seconds, which is
  # under 900 ft/min in them: the energy is lost all the while.
  def test_a_dip_in_the_sink_does_not_hide_a_closure
    speed = along([[0.0, 80.0], [20.0, 80.0], [24.0, 75.0], [27.0, 55.0], [60.0, 55.0]])
    height = along([[0.0, 1000.0], [20.0, 1000.0], [24.0, 932.0], [27.0, 900.0], [60.0, 55.0]])
    state = ->(t) { { 'agl_ft' => height.call(t), 'gs_kt' => speed.call(t) } }
    times, estimated = Fujin::Grading::Closures.new(signals(60.0, columns: SATELLITE, &state)).find

    assert_equal [1, true], [times.size, estimated]
    assert_in_delta 20.0, times.first, 1.5
  end

  # The sink of a powered approach, 700 ft/min to the end, is none.
  def test_a_powered_descent_is_no_closure
    height = along([[0.0, 1000.0], [20.0, 1000.0], [95.0, 125.0]])
    state = ->(t) { { 'agl_ft' => height.call(t), 'gs_kt' => 60.0 } }

    assert_empty Fujin::Grading::Closures.new(signals(95.0, columns: SATELLITE, &state)).find.first
  end

  # From 70 kt down to 50, through the house's 63: a glide once it stays at 50.
  def test_an_entry_ends_where_it_is_steady_whatever_it_is
    speed = along([[0.0, 70.0], [10.0, 70.0], [20.0, 50.0], [60.0, 50.0]])
    state = ->(t) { { 'agl_ft' => 900.0, 'ias_kt' => speed.call(t), 'collective_pct' => t < 9.0 ? 40.0 : 0.0 } }

    assert_in_delta 19.6, A::EntryEnd.of(signals(60.0, &state), 9.0), 0.6
    steady = ->(t) { { 'agl_ft' => 900.0, 'ias_kt' => 63.0, 'collective_pct' => t < 9.0 ? 40.0 : 0.0 } }

    assert_in_delta 10.0, A::EntryEnd.of(signals(60.0, &steady), 9.0), 0.2
  end

  # A gust lifts the nose by six degrees for a second at 190 ft; the flare begins at 70.
  def test_a_nose_that_a_gust_lifted_is_no_flare
    pitch = along([[0.0, -2.0], [30.0, -2.0], [30.5, 4.0], [31.3, 4.0], [31.8, -2.0], [36.0, -2.0], [36.6, 14.0],
                   [45.0, 14.0]])
    height = along([[0.0, 890.0], [30.0, 190.0], [36.0, 70.0], [42.0, 8.0], [45.0, 4.0]])
    state = ->(t) { { 'agl_ft' => height.call(t), 'gs_kt' => 55.0, 'pitch_deg' => pitch.call(t) } }
    time, estimated = A::Flares.new(signals(45.0, &state)).start(5.0, 45.0)

    refute estimated
    assert_in_delta 35.7, time, 0.4
  end

  # The throttle's sample says 30 s; the engine winds up from 30.4 and drives at 32.
  def test_power_is_back_when_the_engine_winds_up
    engine = along([[0.0, 60.0], [30.4, 60.0], [32.0, 100.0], [40.0, 100.0]])
    all = signals(40.0) { |t| { 'ne_pct' => engine.call(t), 'throttle_pct' => t < 30.0 ? 2.0 : 60.0 } }
    back = A::PowerBack.new(all, Fujin::Grading::Closures.new(all))

    assert_in_delta 30.5, back.wound_up(25.0, 32.0), 0.15
    without = signals(40.0, columns: WrittenFlight::STILL.keys - %w[ne_pct]) { |_| {} }

    assert_in_delta 32.0, A::PowerBack.new(without, nil).wound_up(25.0, 32.0)
  end

  # Two seconds after the nose was highest within twelve, or six after the flare began where neither was recorded.
  def test_where_it_is_level_without_a_height
    nose = along([[0.0, 0.0], [15.0, 12.0], [20.0, 0.0], [23.2, 0.0], [24.0, 20.0], [40.0, 0.0]])
    finish = ->(columns) do
      A::Flares.new(signals(40.0, columns: columns) { |t| { 'pitch_deg' => nose.call(t) } }).finish(11.0, 40.0)
    end

    [%w[north_ft east_ft pitch_deg], %w[north_ft east_ft gs_kt]].each do |columns|
      at, guessed = finish.call(columns)

      assert_in_delta 17.0, at, 0.15
      assert guessed
    end
  end

  # It begins at its own height and speed, not at the straight-in's.
  def test_a_low_speed_autorotation_is_set_up_where_it_begins
    found = flown_by_pilot('low_speed_autorotation')

    refute_includes found.fault_ids, 'rushed_setup'
    assert_operator found.measure('setup_steady_s'), :>, 5.0
  end

  # The nose six degrees up for so long, 175 ft up or 40: half of the two and a half seconds after it rose tells a flare
  # from a gust where there is height left.
  def nose_up(seconds, height_ft)
    from = (400.0 - height_ft) / 15.0
    rows = (0..300).map do |i|
      t = i / 10.0
      [t, [400.0 - (15.0 * t), 0.0].max.round(2), 60.0, t >= from && t < from + seconds ? 6.0 : 0.0].join(',')
    end
    signals = signals_of("t_s,agl_ft,ias_kt,pitch_deg\n#{rows.join("\n")}\n")
    Fujin::Manoeuvres::Autorotation::Flares.new(signals).start(2.0, 26.0)
  end

  def test_how_long_a_nose_is_up_that_no_gust_lifted
    assert_nil nose_up(1.1, 175.0)
    assert_in_delta 14.6, nose_up(1.45, 175.0).first, 0.2
    assert_in_delta 23.6, nose_up(1.1, 40.0).first, 0.2
  end
end
