# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'cut_off'
require_relative 'written_flight'

# What goes on where a recording ends so far: the phase that the debrief will find there, told by the same finders
# while nothing after it is known.
class UnderwayTest < Minitest::Test
  include CutOff

  L = Fujin::Lessons
  KINDS = %w[
    straight_in_autorotation turning_autorotation low_speed_autorotation normal_approach steep_approach run_on_landing
    hovering_autorotation
  ].freeze
  # What the finders need to see of a phase before they know it, s; of a descent 80 ft, of a turn a quarter or so.
  SEEN_AFTER_S = { 'entry' => 0.7, 'settle' => 0.3, 'touchdown' => 0.8, 'descent' => 15.0, 'turn' => 8.0 }.freeze
  USUAL_S = 3.0

  def flown(kind) = flown_by_pilot(kind)

  # @return [Fujin::Grading::Attempt, nil] what goes on at a moment of a flight
  def underway(kind, at_s) = going_on(flown(kind).csv, at_s, flown(kind).context)

  KINDS.each do |kind|
    define_method("test_each_phase_of_a_#{kind}_is_seen_while_it_goes_on") do
      flown(kind).proposal.attempt.phases.each do |phase|
        after = SEEN_AFTER_S.fetch(phase.id, USUAL_S)
        at = phase.start_s + [after, 0.9 * (phase.end_s - phase.start_s)].min
        seen = underway(kind, at)

        refute_nil seen, "#{phase.id} at #{at.round(1)} s"
        assert_equal phase.id, seen.phases.last.id, "at #{at.round(1)} s"
        assert_in_delta phase.start_s, seen.phases.last.start_s, 2.5, phase.id
      end
    end

    define_method("test_before_and_after_a_#{kind}_nothing_goes_on") do
      attempt = flown(kind).proposal.attempt
      last = flown(kind).signals.end_s

      assert_nil underway(kind, attempt.start_s - 1.0)
      assert_nil underway(kind, last) if last > attempt.end_s + 1.5
    end
  end

  # Sinking to lower ground under power is a descent until it is level again, and no attempt.
  def test_a_descent_that_levels_off_was_none
    flight = WrittenFlight.new(60.0) do |t|
      { 'agl_ft' => 900.0 - (10.0 * (t - 10.0).clamp(0.0, 20.0)), 'gs_kt' => 60.0, 'ias_kt' => 60.0,
        'throttle_pct' => 60.0, 'vs_fpm' => t.between?(10.0, 30.0) ? -600.0 : 0.0 }
    end

    assert_equal ['descent', nil], [seen(flight, 25.0), seen(flight, 45.0)]
  end

  # Down from a hover of twenty seconds in four, then one skid on the slope: a minute from the hover at most.
  def test_a_slope_landing_goes_on_for_a_minute
    flight = WrittenFlight.new(100.0) do |t|
      { 'agl_ft' => t < 20.0 ? 4.0 : [4.0 - (0.5 * (t - 20.0)), 1.0].max, 'roll_deg' => t < 26.0 ? -1.0 : -3.0 }
    end

    assert_equal(['lowering', 'lowering', nil], [30.0, 78.0, 84.0].map { |at| seen(flight, at, 'slope_landing') })
  end

  # Off from a hover at 20 s with two knots more each second.
  def test_a_take_off_is_seen_a_second_after_it_left
    flight = WrittenFlight.new(40.0) do |t|
      kt = 2.0 * [t - 20.0, 0.0].max
      { 'agl_ft' => 4.0, 'gs_kt' => kt, 'ias_kt' => kt }
    end
    left = (200..260).find { |tenth| seen(flight, tenth / 10.0, 'hover_power_take_off') == 'take_off' } / 10.0
    still = Fujin::Manoeuvres::Departure::Finder::STILL_KT

    assert_in_delta 20.0 + (still / 2.0) + 1.0, left, 0.25
  end

  # The phase that goes on after so many seconds of a written flight, an exercise being meant.
  def seen(flight, until_s, manoeuvre = 'normal_approach')
    context = L.context(conditions: conditions, exercise: manoeuvre, spot: SPOT, course_deg: 350.0, planned: true)
    going_on(flight.csv, until_s, context)&.then { |attempt| attempt.phases.last.id }
  end
end
