# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# Landings on a slope, written by hand: a hover of ten seconds at 4 ft leaning 1° left, down in four, the first skid
# met, then from -1° to -1° - slope at so many degrees a second, and standing.
class SlopeLandingTest < Minitest::Test
  def flight(slope: 4.0, rate: 1.0, knots: 0.3)
    lowering = slope / rate
    WrittenFlight.new(14 + lowering + 8) do |t|
      roll = -1.0 - (rate * (t - 14)).clamp(0.0, slope)
      feet = if t < 10 then 4.0
             elsif t < 14 then 4.0 - (0.8 * (t - 10))
             else
               [0.8 - (0.2 * (t - 14)), 0.0].max
             end
      { 'agl_ft' => feet, 'roll_deg' => roll, 'gs_kt' => t < 15 ? knots : 0.0,
        'vs_fpm' => t.between?(10, 14) ? -48.0 : 0.0 }
    end
  end

  def found(settings: { 'slope_deg' => 4.0 }, exercise: 'slope_landing', **how)
    grade_csv(flight(**how).csv, day: conditions(wind: Fujin::Wind.calm), wind: Fujin::Wind.calm, exercise: exercise,
                                 settings: settings).proposals
  end

  def only(**how) = found(**how).find { |one| one.attempt.manoeuvre == 'slope_landing' } || raise('not found')
  def value(id, **how) = only(**how).measures.fetch(id).value

  # The first skid has met the slope half a degree after 14 s; it stands 4° further, and a second counts as settled.
  def test_the_lowering_is_found_where_the_bank_leaves_the_hovers
    attempt = only.attempt

    assert_equal %w[hover lowering], attempt.phases.map(&:id)
    assert_in_delta 14.5, attempt.phase('lowering').start_s, 0.3
    assert_in_delta 18.6, attempt.phase('lowering').end_s, 0.5
  end

  def test_rate_bank_and_drift_are_as_written
    assert_in_delta 1.0, value('skid_lowering_deg_s'), 0.1
    assert_in_delta 5.0, value('ground_roll_deg'), 0.2
    assert_in_delta 0.3, value('ground_contact_kt'), 0.1
    assert_empty only.faults.map(&:id)
  end

  # Solo: 3°/s at most and 1.5 marginal; 1.5 kt; the slope and 2°.
  def test_each_fault_on_either_side
    assert_empty only(rate: 2.4).faults.map(&:id)
    assert_equal %w[dropped_the_skid], only(rate: 7.0).faults.map(&:id)
    assert_includes only(knots: 3.2).faults.map(&:id), 'drift_at_contact'
    assert_includes only(settings: { 'slope_deg' => 1.0 }).faults.map(&:id), 'not_level'
  end

  # Standing on less than a degree and a half of it is a set-down like any other; so is what drifts.
  def test_what_is_just_a_landing_on_a_slope_and_just_none
    count = ->(**how) { found(**how).count { |one| one.attempt.manoeuvre == 'slope_landing' } }

    assert_equal([0, 1], [1.3, 1.7].map { |deg| count.call(slope: deg) })
  end

  # Past what the type stands on it is critical, whatever the slope was said to be.
  def test_past_the_types_limit_is_critical
    measure = only(slope: 7.0, settings: { 'slope_deg' => 7.0 }).measures['ground_roll_deg']

    assert measure.critical
    assert_in_delta 8.0, measure.value, 0.2
  end

  # On the level, or for another exercise, it is a set-down like any other.
  def test_only_as_the_exercise_and_only_on_a_slope
    kinds = ->(**how) { found(**how).map { |one| one.attempt.manoeuvre } }

    refute_includes kinds.call(exercise: 'hover'), 'slope_landing'
    refute_includes kinds.call(slope: 1.0), 'slope_landing'
    assert_includes kinds.call(slope: 1.0), 'lift_off_and_set_down'
  end

  # 1.9 m of track and 1.25 m of height tip at 37.2°: less 3° and 5° in hand, 29.2°.
  def test_the_plan_says_what_is_left
    plan = Fujin::Catalogue.find('slope_landing').plan(conditions, Fujin::Planning::HouseMethod.new)
    steep = Fujin::Catalogue.find('slope_landing').plan(conditions, Fujin::Planning::HouseMethod.new,
                                                        settings: { 'slope_deg' => 6 })

    assert_in_delta (Math.atan2(0.95, 1.25) * 180 / Math::PI) - 8, plan.value('rollover_margin_deg'), 0.05
    assert_equal [3.0, 5.0], [plan.value('slope_deg'), plan.value('slope_limit_deg')]
    assert_includes steep.limits.map(&:id), 'slope_limit'
    refute_includes plan.limits.map(&:id), 'slope_limit'
  end
end
