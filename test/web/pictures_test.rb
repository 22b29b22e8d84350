# frozen_string_literal: true

require_relative '../web_helper'

# What pictures are drawn by: windows, paths, bins. Expected values are worked out by hand.
class PicturesTest < Minitest::Test
  include WebModule

  POINTS = [[0.0, 100.0], [1.0, 60.0], [2.0, 0.0]].map { |t, along| { 't_s' => t, 'along_ft' => along } }.freeze

  def test_a_path_is_drawn_to_a_tenth_of_a_pixel
    assert_table 'pictures/scale.ts', [
      ['M0,0L10.3,5', 'line', [[0, 0], [10.26, 5]]],
      ['', 'line', []],
      ['M1.5,2.5Z', 'line', [[1.5, 2.5]]]
    ]
  end

  def test_the_point_at_a_moment_and_the_one_at_a_distance
    assert_table 'pictures/scale.ts', [
      [POINTS[1], 'momentOf', POINTS, 1.4],
      [POINTS[2], 'momentOf', POINTS, 9.0],
      [POINTS[0], 'nearest', POINTS, 90.0],
      [WebModule::NOTHING, 'momentOf', [], 1.0]
    ]
  end

  def test_what_is_too_tall_is_seen_from_farther_away
    window = { 'fromFt' => 0, 'toFt' => 1000 }
    assert_table 'pictures/scale.ts', [
      [window, 'lowEnough', window, [-300, 300]],
      # 1,440 ft across may take 0.72 of the width: 2,000 ft are needed, 500 more on either side.
      [{ 'fromFt' => -500, 'toFt' => 1500 }, 'lowEnough', window, [-720, 720]]
    ]
  end

  # Six letters and two between take 51.2 px at 6.4 each: 300 px have room for steps of 5,000, not of 2,000.
  def test_numbers_along_a_scale_have_room
    assert_table 'pictures/scale.ts', [
      [[0, 5000, 10_000, 15_000, 20_000], 'ticksWithRoom', 0, 20_000, 8, 300],
      [[0, 2000, 4000, 6000, 8000, 10_000], 'ticksWithRoom', 0, 10_000, 6, 900]
    ]
  end

  def test_steps_are_round
    assert_table 'pictures/scale.ts', [
      [[0, 200, 400, 600, 800, 1000], 'ticks', 0, 1000, 5],
      [200, 'roundStep', 1000, 5],
      [0.5, 'roundStep', 2.4, 5]
    ]
  end

  SERIES = { times: { floats: [0, 1, 2, 3, 4, 5, 6, 7] }, strips: [], attempts: [] }.freeze
  VALUES = { floats: [1, 9, 2, 3, nil, nil, -4, 6] }.freeze

  # '3:20' and two letters between are 38.4 px: 800 s on a phone's 216 px have room for five marks, on a desk for nine,
  # the last of which would end 16 px beyond the strips.
  def test_the_clock_of_a_whole_flight_has_room
    assert_table 'pictures/flightSeries.ts', [
      [[0, 200, 400, 600], 'clockMarks', { from: 0, to: 800 }, 216],
      # '13:20' reaches 16 px beyond its moment, which is 17 px before the end.
      [[0, 200, 400, 600, 800], 'clockMarks', { from: 0, to: 868 }, 217],
      [[0, 100, 200, 300, 400, 500, 600, 700], 'clockMarks', { from: 0, to: 800 }, 1000],
      [[10, 11, 12], 'clockMarks', { from: 9.8, to: 12.1 }, 1000]
    ]
  end

  def test_every_bin_keeps_its_least_and_its_greatest_value_and_a_gap_is_a_gap
    assert_table 'pictures/flightSeries.ts', [
      [[1, 9, 2, 3, nil, nil, -4, 6], 'bins', SERIES, VALUES, { from: 0, to: 8 }, 4],
      [[1, 9, -4, 6], 'bins', SERIES, VALUES, { from: 0, to: 8 }, 2]
    ]
  end

  def test_the_first_sample_at_or_after_a_moment
    times = { floats: [0, 1, 2, 3] }
    assert_table 'pictures/flightSeries.ts', [
      [0, 'indexAt', times, -5], [1, 'indexAt', times, 1], [2, 'indexAt', times, 1.01], [4, 'indexAt', times, 9]
    ]
  end

  def test_a_span_stays_inside_the_flight
    all = { from: 0, to: 100 }
    assert_table 'pictures/flightSeries.ts', [
      [{ 'from' => 30, 'to' => 50 }, 'moved', { from: 20, to: 40 }, all, 10],
      [{ 'from' => 80, 'to' => 100 }, 'moved', { from: 70, to: 90 }, all, 50],
      [{ 'from' => 0, 'to' => 20 }, 'moved', { from: 10, to: 30 }, all, -50],
      [{ 'from' => 0, 'to' => 100 }, 'moved', { from: 10, to: 30 }, all, 0, 50],
      # Never closer than four seconds, about the middle.
      [{ 'from' => 18, 'to' => 22 }, 'moved', { from: 10, to: 30 }, all, 0, 0.001]
    ]
  end

  def strip(**more)
    { channel: 'nr_pct', digits: 1, points: [[0, 1, 3], [1, nil, nil], [2, 4, 6], [3, 5, 5]], bands: [], **more }
  end

  def test_strips_are_ribbons_with_gaps
    ribbon, midline = ask(
      'pictures/stripLines.ts',
      ['ribbon', strip, { scale: [10, 0] }, { scale: [-1, 10] }],
      ['midline', strip, { scale: [10, 0] }, { scale: [-1, 10] }]
    )

    assert_equal 2, ribbon.count('M')
    assert_includes ribbon, 'M20,4L30,5L30,5L20,6Z'
    assert_equal 'M0,8ZM20,5L30,5', midline
  end

  def test_the_value_at_a_moment_and_the_room_a_strip_takes
    assert_table 'pictures/stripLines.ts', [
      [2, 'valueAt', strip, 0.2],
      [WebModule::NOTHING, 'valueAt', strip, 1.0],
      [5, 'valueAt', strip, 9.0],
      [[0.7, 6.3], 'extent', strip],
      # The ends are called by what was flown, not by the room around it: no feet under the ground.
      [[1, 6], 'ends', strip],
      [[0, 6], 'ends', strip(channel: 'agl_ft', points: [[0, -1, 3], [1, -0.4, 6]])],
      [[0, 6], 'ends', strip(channel: 'collective_pct', points: [[0, -1, 3], [1, -0.4, 6]])],
      [[-1, 6], 'ends', strip(channel: 'sink_fpm', points: [[0, -1, 3], [1, -0.4, 6]])],
      [true, 'named', 'climb', 60], [false, 'named', 'balance', 38],
      [[0, 1], 'extent', strip(points: [])],
      [[-0.6, 10.6], 'extent', strip(points: [[0, 0, 2]], bands: [{ low: 4, high: 10 }])]
    ]
  end

  def test_a_heading_that_runs_on_past_north_reads_as_one
    heading = strip(channel: 'hdg_deg', digits: 0)
    assert_table 'pictures/stripLines.ts', [
      ['10', 'reading', heading, 370], ['350', 'reading', heading, -10], ['−2.5', 'reading', strip, -2.5]
    ]
  end

  def test_the_band_of_the_phase_at_the_moment_else_the_longest
    short = { phase: 'entry', from_s: 0, to_s: 2, in_band_pct: 50 }
    long = { phase: 'glide', from_s: 2, to_s: 20, in_band_pct: 90 }
    empty = { phase: 'flare', from_s: 20, to_s: 90, in_band_pct: nil }
    both = strip(bands: [short, long, empty])
    phases = ask('pictures/stripLines.ts', ['bandNow', both, 1], ['bandNow', both, 5], ['bandNow', both, 50],
                 ['bandNow', both, WebModule::NOTHING])

    assert_equal(%w[entry glide glide glide], phases.map { |band| band['phase'] })
  end
end
