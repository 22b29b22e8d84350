# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'
require_relative 'written_taxi'

class HoverTaxiTest < Minitest::Test
  include PlanHelp
  include WrittenTaxi

  MANOEUVRE = 'hover_taxi'

  { 'forward' => 0.0, 'right' => 90.0, 'rearward' => 180.0, 'left' => 270.0 }.each do |way, deg|
    define_method("test_a_taxi_#{way}_is_found_and_measured") do
      proposals = found(flight(deg))

      assert_equal 1, proposals.size
      taxi = proposals.first

      assert_equal %w[taxi stop], taxi.attempt.phase_ids
      # Until the ramp passes 3 kt, 1.2 s of 2.
      assert_in_delta STOOD_S + 1.2, taxi.attempt.start_s, 0.4
      assert_in_delta 0.0, Fujin::Quantities.wrap_deg(value(taxi, 'taxi_way_deg') - deg), 1.0
      assert_in_delta 4.9, value(taxi, 'taxi_speed_kt'), 0.15
      assert_in_delta 5.0, value(taxi, 'taxi_speed_max_kt'), 0.1
      assert_in_delta 0.0, value(taxi, 'taxi_track_off_ft'), 0.3
      assert_in_delta 0.0, value(taxi, 'taxi_heading_max_deg'), 0.1
      assert_equal({ 'taxi' => 4, 'stop' => nil }, taxi.grades.to_h { |grade| [grade.phase, grade.grade] })
      assert_empty taxi.faults
    end
  end

  def test_a_stop_is_judged_where_the_exercise_says_how_far
    wanted = gone_ft - 5.0
    taxi = found(flight(0.0), exercise: 'hover_taxi', course_deg: NOSE_DEG, settings: { 'taxi_ft' => wanted }).first

    assert_in_delta 5.0 - before_ft, value(taxi, 'taxi_stop_ft'), 1.0
    assert_equal 'polished', taxi.measures['taxi_stop_ft'].verdict
  end

  def test_beside_the_line_is_out_of_the_band_and_named
    bent =
      flight(0.0) do |_t, ft|
        { 'east_ft' => (ft * Math.sin(NOSE_DEG * Q::DEG)) + (12.0 * Math.sin(Math::PI * ft / gone_ft)) }
      end
    taxi = found(bent, course_deg: NOSE_DEG).first

    # The line runs through where the taxi began, the ramp's first feet along the bend.
    began = 12.0 * Math.sin(Math::PI * before_ft / gone_ft)

    assert_in_delta (12.0 - began) * Math.cos(10.0 * Q::DEG), value(taxi, 'taxi_track_off_ft'), 0.3
    assert_equal 'out', taxi.measures['taxi_track_off_ft'].verdict
    assert_equal ['drifted_off_track'], taxi.faults.map(&:id)
  end

  def test_height_and_nose
    taxi =
      found(
        flight(0.0) do |_t, ft|
          { 'agl_ft' => 4.0 + (2.4 * ft / gone_ft), 'hdg_deg' => NOSE_DEG + (9.0 * ft / gone_ft) }
        end
      ).first

    assert_in_delta 2.2, value(taxi, 'taxi_height_max_off_ft'), 0.25
    assert_equal 'marginal', taxi.measures['taxi_height_max_off_ft'].verdict
    assert_in_delta 8.3, value(taxi, 'taxi_heading_max_deg'), 0.6
    assert_equal 'in', taxi.measures['taxi_heading_max_deg'].verdict
  end

  def test_what_is_no_taxi
    assert_empty found(flight(0.0, pace_kt: 2.5)), 'a drifting hover'
    assert_empty found(flight(0.0, pace_kt: 14.0)), 'faster than a taxi'
    assert_empty found(flight(0.0, steady_s: 2.0)), 'a step'
    assert_empty found(flight(0.0, height_ft: 30.0)), 'too high'
    assert_empty found(flight(0.0) { |t, _ft| { 'track_deg' => (20.0 * t) % 360.0 } }), 'round and round'
  end

  # At 10 kt and 4, and how long the pace is held: seconds between its passing 3 kt either way, and feet gone in them.
  def test_what_is_just_a_taxi_and_just_none
    { { pace_kt: 11.6 } => 1, { pace_kt: 12.4 } => 0, { pace_kt: 3.2 } => 1, { pace_kt: 2.8 } => 0,
      { height_ft: 1.7 } => 1, { height_ft: 1.3 } => 0, { height_ft: 14.7 } => 1, { height_ft: 15.3 } => 0,
      { pace_kt: 10.0, steady_s: 2.6 } => 1, { pace_kt: 10.0, steady_s: 1.7 } => 0,
      { pace_kt: 4.0, steady_s: 5.5 } => 1, { pace_kt: 4.0, steady_s: 4.5 } => 0 }
      .each { |how, count| assert_equal count, found(flight(0.0, **how)).size, how.inspect }
  end

  # What was found before it may reach a second into it.
  def test_a_hover_beside_a_taxi_may_reach_a_second_into_it
    signals = signals_of(flight(0.0).csv, conditions, wind: Fujin::Wind.calm)
    context = Fujin::Lessons.context(conditions: conditions, wind: Fujin::Wind.calm)
    after = ->(*taken) { Fujin::Manoeuvres::Handling::HoverTaxiFinder.new(signals, context, taken).find }
    began = after.call.first.start_s
    hover = ->(to_s) do
      Fujin::Grading::Attempt.new(manoeuvre: 'hover', start_s: 0.0, end_s: to_s, phases: [].freeze,
                                  events: {}.freeze, estimated: false, result: :completed)
    end

    assert_equal([1, 0], [0.9, 1.1].map { |into_s| after.call(hover.call(began + into_s)).size })
  end

  # A fifth of it may lie off its line by more than thirty degrees.
  def test_a_taxi_that_wanders_is_none
    wander = ->(deg, share) do
      found(flight(0.0) { |t, _| { 'track_deg' => NOSE_DEG + ((t % 4.0) < 4.0 * share ? deg : 0.0) } }).size
    end

    assert_equal 1, wander.call(28.0, 0.4)
    assert_equal 0, wander.call(33.0, 0.4)
    assert_equal 1, wander.call(33.0, 0.1)
  end

  # By hand: 150 ft at 5 kt are 17.8 s; taxiing north at 5 kt in 10 kt from the north the air is 15 kt, from the nose;
  # going left with the same wind it comes from the front left: 10 from ahead and 5 from the left.
  def test_the_plan_by_hand
    ahead = plan('hover_taxi', wind: '000/10', course: 0.0)

    assert_in_delta 17.77, ahead.value('taxi_time_s'), 0.02
    assert_in_delta 15.0, ahead.value('relative_wind_kt'), 0.01
    assert_in_delta 0.0, Fujin::Quantities.wrap_deg(ahead.value('relative_wind_deg')), 0.1

    left = plan('hover_taxi', wind: '000/10', course: 270.0, settings: { 'taxi_way' => 'left' })

    assert_in_delta Math.hypot(10.0, 5.0), left.value('relative_wind_kt'), 0.01
    assert_in_delta 360.0 - 26.57, left.value('relative_wind_deg'), 0.1
  end

  def test_rearward_downwind_is_said
    back = plan('hover_taxi', wind: '000/10', course: 0.0, settings: { 'taxi_way' => 'rearward' })

    assert_in_delta 180.0, back.value('relative_wind_deg'), 0.1
    assert_includes back.cautions.map(&:id), 'air_from_behind'
    assert_includes back.cautions.map(&:id), 'tail_swing'
    refute_includes plan('hover_taxi', wind: '000/10', course: 0.0).cautions.map(&:id), 'air_from_behind'
  end

  # The plan's table is the standard's own.
  def test_bands_by_stage
    table = plan('hover_taxi', wind: '000/10').tables.first

    assert_equal [
      ['early', 3.0, 6.0, 3.0, 15.0, 10.0],
      ['solo', 2.0, 4.0, 2.0, 10.0, 6.0],
      ['test', 2.0, 3.0, 1.5, 8.0, 4.0],
      ['instructor', 1.5, 2.0, 1.0, 6.0, 3.0]
    ],
                 table.rows
  end
end
