# frozen_string_literal: true

require_relative 'test_helper'

# What a recording tells by itself: what its height shows on the ground, and the wind that its drift makes. Each number
# on either side, in files written out here.
class GroundAndWindToldTest < Minitest::Test
  # At 10 Hz: so long as the first columns say, then as the second ones do.
  # @param columns [Hash{String => Array(Float, Float)}]
  def told(first_s, columns, then_s: 20.0)
    rows = (0..((first_s + then_s) * 10).round).map do |i|
      [i / 10.0, *columns.values.map { |before, after| i <= (first_s * 10).round ? before : after }].join(',')
    end
    signals_of(['t_s', *columns.keys].join(',') << "\n" << rows.join("\n") << "\n", wind: nil)
  end

  def zero(stood_s: 10.0, agl: 3.0, speed: 0.0, **columns)
    told(stood_s, { 'agl_ft' => [agl, 300.0], 'gs_kt' => [speed, 60.0], **columns.transform_keys(&:to_s) }).agl_zero_ft
  end

  def test_the_height_shown_on_the_ground_with_the_collective_down
    assert_in_delta 3.0, zero(collective_pct: [0.0, 50.0])
    { agl: { 14.0 => 14.0, 16.0 => 0.0 }, speed: { 0.9 => 3.0, 1.1 => 0.0 }, stood_s: { 2.2 => 3.0, 1.7 => 0.0 } }
      .each do |what, edges|
        edges.each do |value, shown|
          assert_in_delta shown, zero(what => value, collective_pct: [0.0, 50.0]), 1e-6, "#{what} #{value}"
        end
      end
  end

  # A hover stands still, too.
  def test_with_the_collective_up_it_is_no_ground
    assert_in_delta 3.0, zero(collective_pct: [4.8, 50.0])
    assert_in_delta 0.0, zero(collective_pct: [5.2, 50.0])
  end

  def test_without_a_collective_only_what_is_near_nothing_is_ground
    assert_in_delta 2.4, zero(agl: 2.4)
    assert_in_delta(-2.4, zero(agl: -2.4))
    assert_in_delta 0.0, zero(agl: 2.6)
  end

  # Without a height above ground: from the altitude at which it stood.
  def test_the_ground_is_where_it_stood_for_three_seconds
    height = ->(stood_s) do
      signals = told(stood_s, { 'alt_msl_ft' => [900.0, 1200.0], 'gs_kt' => [0.0, 60.0] })
      signals[:agl]&.last
    end

    assert_in_delta 300.0, height.call(3.2), 1e-6
    assert_nil height.call(2.7)
  end

  def drift(ias: 60.0, seconds: 30.0, gs: 50.0, track: 90.0, heading: 90.0)
    both = { 'ias_kt' => ias, 'gs_kt' => gs, 'track_deg' => track, 'hdg_deg' => heading }
    told(seconds, both.transform_values { |one| [one, one] }, then_s: 0.0)
  end

  # By hand: 60 kt through the air and 50 over the ground on one line are 10 kt from ahead; across it the wind is what
  # the triangle leaves, 60 kt north less 60 kt east being 84.9 kt from 135°.
  def test_a_wind_from_the_drift
    found = drift

    assert_equal :drift, found.wind_source
    assert_in_delta 10.0, found.wind.speed_kt, 0.05
    assert_in_delta 90.0, found.wind.from_deg, 0.1
    across = drift(gs: 60.0, track: 0.0).wind

    assert_in_delta 60.0 * Math.sqrt(2.0), across.speed_kt, 0.1
    assert_in_delta 135.0, across.from_deg, 0.1
  end

  def test_a_drift_needs_speed_and_moments
    { ias: { 36.0 => :drift, 34.0 => nil }, seconds: { 9.5 => :drift, 9.4 => nil } }.each do |what, edges|
      edges.each do |value, source|
        found = drift(what => value).wind_source
        source ? assert_equal(source, found, "#{what} #{value}") : assert_nil(found, "#{what} #{value}")
      end
    end
  end

  # Of what the file says itself: the mean as a vector, 10 kt from north and as much from east, and not the drift.
  def test_the_file_s_own_wind_comes_first
    found = told(10.0, { 'wind_kt' => [10.0, 10.0], 'wind_from_deg' => [0.0, 90.0], 'ias_kt' => [60.0, 60.0],
                         'gs_kt' => [60.0, 60.0], 'track_deg' => [0.0, 0.0], 'hdg_deg' => [0.0, 0.0] }, then_s: 10.1)

    assert_equal :file, found.wind_source
    assert_in_delta 10.0 / Math.sqrt(2.0), found.wind.speed_kt, 0.05
    assert_in_delta 45.0, found.wind.from_deg, 0.5
  end
end
