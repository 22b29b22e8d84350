# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# Rectangles, turns across a line and effects of controls: found only against what was planned, measured, explained.
class FiguresTest < Minitest::Test
  WIND = Fujin::Wind.parse('320/12')
  COURSE = 350.0

  def day = conditions(wind: WIND)
  def house = Fujin::Planning::HouseMethod.new
  def plan(exercise) = Fujin::Catalogue.find(exercise).plan(day, house, course_deg: COURSE)
  def line_of(exercise) = [[0.0, 0.0], *plan(exercise).path.map { |p| [p.along_ft, p.across_ft] }]

  def found(line, exercise, as: exercise, air_kt: plan(exercise).value('entry_speed_kt'), seed: 1, kind: exercise,
            hole_s: 0.0)
    csv = Fujin::Flight::FigureFlight.new(line, origin: SPOT, course_deg: COURSE, wind: WIND, air_kt: air_kt,
                                                seed: seed).csv
    csv = with_a_hole(csv, hole_s)
    signals = signals_of(csv, day, wind: WIND)
    context =
      Fujin::Lessons.context(conditions: day, spot: SPOT, wind: WIND, course_deg: COURSE, planned: true, exercise: as)
    Fujin::Grading::Grader.new(signals, context).proposals.select { |p| p.attempt.manoeuvre == kind }
  end

  def value(proposal, id) = proposal.measures.fetch(id).value

  # Nothing is known of where it was for some seconds in the middle.
  def with_a_hole(csv, seconds)
    head, *rows = csv.lines
    places = %w[lat_deg lon_deg].map { |name| head.chomp.split(',').index(name) }
    middle = rows[rows.size / 2].to_f
    rows.map! do |row|
      next row unless (row.to_f - middle).between?(0.0, seconds - 0.05)

      row.chomp.split(',', -1).each_with_index.map { |cell, i| places.include?(i) ? '' : cell }.join(',') << "\n"
    end
    [head, *rows].join
  end

  # Straight before the figure and after it, so that it is not all there is.
  def led_in(line, times: 1)
    round = line.drop(1)
    start = line.first
    before = Fujin::Flight::FigureFlight.before(line)
    [before, *([start, *round] * times)].each_cons(2).filter_map { |p, q| q unless p == q }.unshift(before)
  end

  def test_each_time_round_a_rectangle_is_one_attempt_with_its_four_sides
    laps = found(led_in(line_of('rectangle'), times: 2), 'rectangle')

    assert_equal 2, laps.size
    assert_equal %w[downwind crosswind upwind crosswind_back], laps.first.attempt.phase_ids
    assert_in_delta laps[0].attempt.end_s, laps[1].attempt.start_s, 1.5
    assert_operator value(laps[0], 'track_error_max_ft'), :<, 60
    %w[downwind crosswind upwind].each do |side|
      assert_in_delta 0.0, value(laps[0], "#{side}_wind_correction_off_deg"), 2.5, side
      assert_in_delta 0.0, value(laps[0], "#{side}_turn_off_deg"), 5.0, side
    end
    assert_empty laps.first.faults.map(&:id)
  end

  # The planned corner asks for more than ninety degrees where it turns downwind; the plan and the measure agree.
  def test_the_turn_at_a_corner_is_held_to_what_the_wind_asks_for
    corners = plan('rectangle')

    assert_operator corners.value('most_turn_deg'), :>, 95
    assert_operator corners.value('least_turn_deg'), :<, 85
  end

  def test_a_rectangle_blown_aside_drifted_off_its_track
    blown = line_of('rectangle').map { |along, across| [along + 320.0, across] }
    lap = found(led_in(blown), 'rectangle').first

    assert_includes lap.faults.map(&:id), 'drifted_off_track'
    assert_in_delta 320.0, value(lap, 'track_error_max_ft'), 60
  end

  def test_half_a_rectangle_is_none
    line = line_of('rectangle')

    assert_empty found(led_in(line.first(line.size / 2)), 'rectangle')
  end

  def test_without_the_plan_no_figure_is_looked_for
    assert_empty found(led_in(line_of('rectangle')), 'rectangle', as: 'circuit')
    assert_empty found(led_in(line_of('turns_across_a_line')), 'turns_across_a_line', as: nil)
  end

  # Twice over: the second pair begins where the first one ended.
  def two_pairs
    line = line_of('turns_across_a_line')
    arcs = line.first(line.size - 6)
    far = arcs.last
    arcs + line.drop(1).map { |along, across| [along + far[0], across + far[1]] }
  end

  def test_turns_across_a_line_two_and_two
    pairs = found(led_in(two_pairs), 'turns_across_a_line')
    planned = plan('turns_across_a_line').value('turn_radius_ft')

    assert_equal 2, pairs.size, pairs.map { |p| [p.attempt.start_s, p.attempt.end_s] }.inspect
    assert_equal %w[downwind_turn upwind_turn], pairs.first.attempt.phase_ids
    assert_in_delta planned, value(pairs[0], 'downwind_turn_radius_ft'), 25
    assert_in_delta planned, value(pairs[0], 'upwind_turn_radius_ft'), 25
    assert_operator value(pairs[0], 'crossing_off_deg'), :<, 8
    # Both halves go through every ground speed there is: steep at the downwind crossing, shallow at the upwind one.
    assert_in_delta value(pairs[0], 'downwind_turn_bank_max_deg'), value(pairs[0], 'upwind_turn_bank_max_deg'), 8.0
    assert_empty pairs.first.faults.map(&:id)
  end

  def test_one_side_too_wide_is_off_the_figure
    wide = line_of('turns_across_a_line').map { |along, across| [along * 1.5, across * 1.5] }
    pair = found(led_in(wide), 'turns_across_a_line').first

    assert_in_delta plan('turns_across_a_line').value('turn_radius_ft') * 0.5, value(pair, 'turn_radius_max_off_ft'), 60
    assert_equal %w[drifted_off_track], pair.faults.map(&:id)
  end

  # A line across the wind of 320°, crossed downwind and back in a minute each, written out: so many degrees from square
  # to it at the first crossing, the track turned through so many until the next.
  def crossed(off: 0.0, turned: 180.0, agl: 800.0, kt: 60.0)
    radius = plan('turns_across_a_line').value('turn_radius_ft')
    csv = WrittenFlight.new(61.0) do |t|
      out = radius * Math.sin(Math::PI * t / 30.0)
      share = 0.5 - (0.5 * Math.cos(Math::PI * t / 30.0))
      { 'north_ft' => out * Math.cos(140.0 * Q::DEG), 'east_ft' => out * Math.sin(140.0 * Q::DEG), 'gs_kt' => kt,
        'ias_kt' => kt, 'agl_ft' => agl, 'track_deg' => 140.0 + off + (turned * share) }
    end.csv
    context = Fujin::Lessons.context(conditions: day, spot: SPOT, wind: WIND, course_deg: COURSE, planned: true,
                                     exercise: 'turns_across_a_line')
    Fujin::Grading::Grader.new(signals_of(csv, day, wind: WIND), context).attempts
      .count { |one| one.manoeuvre == 'turns_across_a_line' }
  end

  # Flatter than 35° to the line it was followed; a half circle turns through 110° to 250°; higher than 150 ft and
  # faster than 25 kt it is flown.
  def test_turns_across_a_line_by_how_it_is_crossed_and_how_far_turned
    { { off: 54.0 } => 1, { off: 56.0 } => 0, { off: -54.0 } => 1, { off: -56.0 } => 0,
      { off: 34.0, turned: 112.0 } => 1, { off: 34.0, turned: 108.0 } => 0,
      { off: -34.0, turned: 248.0 } => 1, { off: -34.0, turned: 252.0 } => 0,
      { agl: 152.0 } => 1, { agl: 148.0 } => 0, { kt: 25.5 } => 1, { kt: 24.5 } => 0 }
      .each { |how, count| assert_equal count, crossed(**how), how.inspect }
  end

  # Half circles that reach so far out, of the planned radius: under 0.4 it is a line flown crookedly, over 2 a circuit.
  def test_a_half_circle_by_how_far_it_reaches
    { 0.35 => 0, 0.46 => 1, 1.9 => 1, 2.1 => 0 }.each do |share, count|
      line = line_of('turns_across_a_line').map { |along, across| [along * share, across * share] }

      assert_equal count, found(led_in(line), 'turns_across_a_line').size, "#{share} of the radius"
    end
  end

  # A time round counts from 0.85 of the figure.
  def test_a_rectangle_by_how_much_of_it_was_flown
    line = line_of('rectangle')
    lengths = line.each_cons(2).map { |(a, b), (c, d)| Math.hypot(c - a, d - b) }
    { 0.80 => 0, 0.90 => 1 }.each do |share, count|
      legs = (0..lengths.size).find { |i| lengths.first(i).sum > share * lengths.sum } - 1

      assert_equal count, found(led_in(line.first(legs + 1)), 'rectangle').size, "#{share} of it"
    end
  end

  # Beyond a thousand feet to the side it is another figure.
  def test_a_rectangle_by_how_far_beside_it_was_flown
    { 940.0 => 1, 1060.0 => 0 }.each do |beside, count|
      laps = found(led_in(line_of('rectangle').map { |along, across| [along + beside, across] }), 'rectangle')

      assert_equal count, laps.size, "#{beside} ft"
    end
  end

  # So long it may be out of sight.
  def test_a_rectangle_by_how_long_its_place_was_not_known
    { 3.2 => 1, 4.8 => 0 }.each do |seconds, count|
      laps = found(led_in(line_of('rectangle')), 'rectangle', hole_s: seconds)

      assert_equal count, laps.size, "#{seconds} s"
    end
  end

  # A hover with a clock; the tablet's taps say when a control was handed over.
  HANDED = Time.utc(2026, 11, 25, 10, 0, 0)

  def hover(taps, clock: true)
    rows =
      (0..900).map do |i|
        t = i / 10.0
        [
          t,
          (HANDED + t).strftime('%Y-%m-%dT%H:%M:%S.%LZ'),
          47.2104,
          -14.332,
          4.0 + (t.between?(42, 58) ? Math.sin(t) : 0.0),
          0.3, 350.0, 350.0, 45.0
        ].join(',')
      end
    text = "t_s,utc,lat_deg,lon_deg,agl_ft,gs_kt,hdg_deg,track_deg,collective_pct\n#{rows.join("\n")}\n"
    text = without(text, 'utc') unless clock
    signals = signals_of(text, day, wind: WIND)
    handovers = taps.map { |at, control| Fujin::Grading::Handover.new(at_s: (HANDED + at).to_f, control: control) }
    context =
      Fujin::Lessons.context(
        conditions: day,
        spot: SPOT,
        wind: WIND,
        exercise: 'effects_of_controls',
        handovers: handovers
      )
    Fujin::Grading::Grader.new(signals, context).proposals
  end

  TAPS = [[-30.0, 'following'], [10.0, 'cyclic'], [40.0, 'collective'], [60.0, 'following']].freeze

  def test_effects_of_controls_between_the_taps
    held = hover(TAPS).select { |p| p.attempt.manoeuvre == 'effects_of_controls' }

    assert_equal([[10.0, 40.0], [40.0, 60.0]], held.map { |p| [p.attempt.start_s.round(1), p.attempt.end_s.round(1)] })
    assert_in_delta 30.0, value(held[0], 'held_s'), 0.2
    assert_operator value(held[1], 'hover_height_max_off_ft'), :>, value(held[0], 'hover_height_max_off_ft') + 0.5
    assert_empty(hover(TAPS).select { |p| p.attempt.manoeuvre == 'hover' && p.attempt.start_s.between?(10.0, 60.0) })
  end

  # Without a clock in the file the tablet's taps belong to no moment of it.
  def test_without_a_clock_the_taps_belong_nowhere
    assert_empty(hover(TAPS, clock: false).select { |p| p.attempt.manoeuvre == 'effects_of_controls' })
  end
end
