# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_edges'

# When the engine stopped driving the rotor, by whatever the file has to tell it: each number on either side, in
# recordings written out here (docs/reference/boundaries.md, 'Closure').
class ClosuresTest < Minitest::Test
  include WrittenEdges

  # @yield [t_s] the columns that differ from standing still
  def closures(*columns, seconds: 60.0, &state)
    csv = WrittenFlight.new(seconds, columns: ['north_ft', 'east_ft', *columns], &state).csv
    Fujin::Grading::Closures.new(signals_of(csv))
  end

  # From one value to another at 20 s, within so long.
  def fall(from, to, over_s = 0.1) = along([0.0, from], [20.0, from], [20.0 + over_s, to], [60.0, to])

  def told(column, values, **more)
    closures(column, *more.keys.map(&:to_s)) do |t|
      { column => values.call(t), **more.to_h { |name, others| [name.to_s, others.call(t)] } }
    end.all
  end

  def counts(edges) = edges.each { |values, count| assert_equal count, told(*values).first.size, values.inspect }

  def test_a_throttle_that_is_closed_from_over_twenty_to_under_ten_within_a_second
    by_hand = ->(*shape) { ['throttle_pct', fall(*shape)] }

    counts(by_hand[80.0, 9.0] => 1, by_hand[80.0, 11.0] => 0, by_hand[21.0, 5.0] => 1, by_hand[19.0, 5.0] => 0)
    # At 11 percent a second it was over 20 a second before it was at 10; at 9.6 it was not.
    counts(by_hand[80.0, 5.0, 75.0 / 11.0] => 1, by_hand[80.0, 5.0, 75.0 / 9.6] => 0)
  end

  # Half-way down between the last sample before the fall and the first after it.
  def test_the_moment_is_the_middle_of_the_fall
    times, estimated = told('throttle_pct', fall(80.0, 5.0))

    assert_in_delta 20.05, times.first, 0.01
    refute estimated
    assert told('map_inhg', fall(25.0, 12.0)).last, 'anything else is a guess'
  end

  def test_needles_that_part_by_more_than_a_point_and_go_on_to_three_within_two_seconds
    parted = ->(gap, over_s) { told('ne_pct', fall(100.0, 100.0 - gap, over_s), nr_pct: ->(_) { 100.0 }).first.size }

    assert_equal 1, parted.call(3.2, 1.0)
    assert_equal 0, parted.call(2.8, 1.0)
    # From one point to three is two thirds of the way, and has to be flown within two seconds.
    assert_equal 1, parted.call(3.3, 2.9)
    assert_equal 0, parted.call(3.3, 3.9)
  end

  def test_a_power_instrument_that_falls_to_its_idle
    counts(['map_inhg', fall(25.0, 13.0)] => 1, ['map_inhg', fall(25.0, 14.0)] => 0,
           ['map_inhg', fall(16.5, 12.0)] => 1, ['map_inhg', fall(15.5, 12.0)] => 0,
           ['tq_pct', fall(60.0, 7.0)] => 1, ['tq_pct', fall(60.0, 9.0)] => 0,
           ['tq_pct', fall(21.0, 3.0)] => 1, ['tq_pct', fall(19.0, 3.0)] => 0)
  end

  def test_a_collective_that_loses_over_sixty_percent_of_its_value_in_two_seconds
    counts(['collective_pct', fall(16.0, 5.0)] => 1, ['collective_pct', fall(14.0, 4.0)] => 0,
           ['collective_pct', fall(50.0, 19.0)] => 1, ['collective_pct', fall(50.0, 21.0)] => 0,
           ['collective_pct', fall(50.0, 15.0, 2.9)] => 1, ['collective_pct', fall(50.0, 15.0, 3.4)] => 0)
    # Half a second before it is seen to move by five.
    assert_in_delta 20.1 - 0.5, told('collective_pct', fall(50.0, 10.0)).first.first, 0.05
  end

  def test_a_rotor_that_loses_over_two_points_in_half_a_second
    counts(['nr_pct', fall(100.0, 88.0, 12.0 / 4.4)] => 1, ['nr_pct', fall(100.0, 88.0, 12.0 / 3.6)] => 0)
    # Its last 99, a point after it began to fall.
    assert_in_delta 20.0 + (1.0 / 4.4), told('nr_pct', fall(100.0, 88.0, 12.0 / 4.4)).first.first, 0.15
  end

  # By height alone: down from one height to another, then up again.
  def sunk(bottom_ft: 100.0, fpm: 1500.0, from_ft: 1000.0)
    takes = (from_ft - bottom_ft) / fpm * 60.0
    height = along([0.0, from_ft], [20.0, from_ft], [20.0 + takes, bottom_ft], [40.0 + takes, bottom_ft + 300.0])
    closures('agl_ft', 'gs_kt', seconds: 40.0 + takes) { |t| { 'agl_ft' => height.call(t), 'gs_kt' => 60.0 } }.all.first
  end

  # Sinking like a glide, for six seconds and more, to 150 ft before it climbs again.
  def test_a_descent_by_how_steep_how_low_and_how_long
    edges = { bottom_ft: { 145.0 => 1, 155.0 => 0 }, fpm: { 1240.0 => 1, 1200.0 => 0 },
              from_ft: { 320.0 => 1, 290.0 => 0 } }
    edges.each do |what, counts|
      counts.each { |value, count| assert_equal count, sunk(what => value).size, "#{what} #{value}" }
    end
    assert_in_delta 20.0 - Fujin::Grading::Closures::BEFORE_S, sunk.first, 0.15
  end

  def test_an_engine_at_idle_as_far_as_the_file_tells
    idle = ->(*columns, **values) { closures(*columns, seconds: 5.0) { values.transform_keys(&:to_s) }.idle?(20) }

    assert_equal([true, false], [9.9, 10.1].map { |pct| idle.call('throttle_pct', throttle_pct: pct) })
    assert_equal([true, false], [13.4, 13.6].map { |inches| idle.call('map_inhg', map_inhg: inches) })
    assert_equal([true, false], [7.9, 8.1].map { |pct| idle.call('tq_pct', tq_pct: pct) })
    assert_equal([true, false], [98.9, 99.1].map { |ne| idle.call('ne_pct', 'nr_pct', nr_pct: 100.0, ne_pct: ne) })
    assert_nil idle.call('collective_pct', collective_pct: 0.0)
  end

  # Whatever a governor asks for, joined needles are driven.
  def test_joined_needles_are_driven
    driven = ->(ne) { closures('ne_pct', 'nr_pct', 'throttle_pct', seconds: 5.0) { { 'ne_pct' => ne } }.driven?(20) }

    assert_equal([true, false], [99.1, 98.9].map { |ne| driven.call(ne) })
  end

  # A descent over 800 ft/min with the engine at idle for six seconds, within twenty.
  def descent(fpm: 1500.0, for_s: 10.0, after_s: 0.0)
    begins = 20.0 + after_s
    lost = fpm / 60.0 * for_s
    height = along([0.0, 3000.0], [begins, 3000.0], [begins + for_s, 3000.0 - lost], [60.0, 3000.0 - lost])
    throttle = fall(80.0, 0.0)
    closures('throttle_pct', 'agl_ft', 'gs_kt') do |t|
      { 'throttle_pct' => throttle.call(t), 'agl_ft' => height.call(t), 'gs_kt' => 60.0 }
    end.find.first.size
  end

  def test_a_closure_is_confirmed_by_the_descent_after_it
    edges = { fpm: { 840.0 => 1, 760.0 => 0 }, for_s: { 6.8 => 1, 5.0 => 0 }, after_s: { 12.8 => 1, 15.4 => 0 } }
    edges.each do |what, counts|
      counts.each { |value, count| assert_equal count, descent(what => value), "#{what} #{value}" }
    end
  end
end
