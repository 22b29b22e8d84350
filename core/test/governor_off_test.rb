# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'
require_relative 'written_flight'

# The throttle by hand, written out in closed form: level flight with the governor off from 20 s to 80 s, rotor rpm
# outside its band for a known time, needles split at 50 s and joined again.
class GovernorOffTest < Minitest::Test
  include PlanHelp

  OFF_S = 20.0
  ON_S = 80.0
  COLUMNS = [*WrittenFlight::STILL.keys, 'governor_on'].freeze
  LEVEL = { 'agl_ft' => 1500.0, 'ias_kt' => 75.0, 'gs_kt' => 75.0 }.freeze

  def flight(seconds: 100.0, columns: COLUMNS)
    WrittenFlight.new(seconds, columns: columns) do |t|
      LEVEL.merge('governor_on' => t >= OFF_S && t < ON_S ? 0 : 1).merge(block_given? ? yield(t) : {})
    end
  end

  # Closed at 50 s, split by 20 points; opened from 60 s, joined 4 s later at an even rate: within 1 point at 63.8 s.
  def joined(t)
    split = if t < 50 then 0.0
            elsif t < 60 then 20.0
            else [20.0 * (1.0 - ((t - 60.0) / 4.0)), 0.0].max
            end
    { 'ne_pct' => 100.0 - split,
      'throttle_pct' => t.between?(50, 60) ? 2.0 : 2.0 + ([t - 60, 0].max * 20).clamp(0, 60) }
      .merge(t < 50 ? { 'throttle_pct' => 70.0 } : {})
  end

  def found(flight)
    day = conditions
    signals = signals_of(flight.csv, day, wind: Fujin::Wind.calm)
    context = Fujin::Lessons.context(conditions: day, wind: Fujin::Wind.calm)
    Fujin::Grading::Grader.new(signals, context).proposals.select { |one| one.attempt.manoeuvre == 'governor_off' }
  end

  def value(proposal, id) = proposal.measures.fetch(id).value

  # Under 98 % for 12 of the 40 s by hand: in band 70 %; under the warning's 96 % for none of it.
  def test_it_is_found_by_the_switch_and_measured
    one = found(flight { |t| joined(t).merge('nr_pct' => t.between?(30, 42) ? 97.0 : 100.0) }).first

    assert_equal %w[manual joining], one.attempt.phase_ids
    assert_in_delta OFF_S, one.attempt.start_s, 0.2
    assert_in_delta ON_S, one.attempt.end_s, 0.2
    assert_in_delta 70.0, value(one, 'rpm_in_band_pct'), 1.5
    assert_in_delta 97.0, value(one, 'min_rotor_rpm_pct'), 0.1
    assert_in_delta 0.0, value(one, 'time_below_warning_s'), 0.1
    assert_in_delta 3.6, value(one, 'joining_s'), 0.4
    assert_in_delta 100.0, value(one, 'governor_on_rpm_pct'), 0.2
    assert_empty one.faults
  end

  def test_too_short_or_on_the_ground_is_none
    assert_empty found(flight { |t| { 'governor_on' => t.between?(20, 29.5) ? 0 : 1 } })
    assert_equal 1, found(flight { |t| { 'governor_on' => t.between?(20, 30.5) ? 0 : 1 } }).size
    assert_empty found(flight { { 'agl_ft' => 0.0 } })
  end

  # The first sample with the governor on again ends it; a recording that is over before has no such moment.
  def test_it_ends_at_the_switch_or_with_the_recording
    switched = found(flight { |t| joined(t) }).first.attempt
    open = found(flight(seconds: 75.0) { |t| joined(t) }).first.attempt

    assert_in_delta ON_S, switched.event(:governor_on_s), 0.02
    assert_in_delta ON_S, switched.end_s, 0.02
    assert_nil open.event(:governor_on_s)
    assert_in_delta 75.0, open.end_s, 0.02
  end

  # A switch that is on for less than a second in between was knocked; for longer it was meant.
  def test_a_second_of_the_governor_makes_two_of_it
    on_for = ->(seconds) { found(flight { |t| t.between?(50.0, 50.0 + seconds) ? { 'governor_on' => 1 } : {} }).size }

    assert_equal([1, 2], [0.8, 1.2].map { |seconds| on_for.call(seconds) })
  end

  # Lower than three feet it stands; half a switch is none.
  def test_how_high_and_how_far_switched
    assert_equal([0, 1], [2.8, 3.2].map { |feet| found(flight { { 'agl_ft' => feet } }).size })
    switched = ->(to) { found(flight { |t| { 'governor_on' => t >= OFF_S && t < ON_S ? to : 1 } }).size }

    assert_equal([1, 0], [0.45, 0.55].map { |to| switched.call(to) })
  end

  # Needles three points apart are split, one point apart are joined; the throttle has moved once it is three percent
  # over its lowest.
  def test_a_split_a_joining_and_an_opened_throttle_by_their_numbers
    apart = ->(points) { found(flight { |t| { 'ne_pct' => 100.0 - (t.between?(50, 60) ? points : 0.0) } }).first }

    assert_equal %w[manual], apart.call(2.8).attempt.phase_ids
    assert_includes found(flight { |t| joined(t).merge('ne_pct' => t.between?(50, 64) ? 96.8 : 100.0) }).first
      .attempt.phase_ids, 'joining'
    left = ->(points) do
      found(flight { |t| joined(t).merge('ne_pct' => t < 64 ? joined(t)['ne_pct'] : 100.0 - points) }).first
    end

    refute_nil left.call(0.9).attempt.event(:joined_s)
    assert_nil left.call(1.1).attempt.event(:joined_s)
    opened = ->(pct) do
      moved = ->(t) { t < 65 ? 2.0 : 2.0 + pct }
      found(flight { |t| joined(t).merge(t.between?(60, 70) ? { 'throttle_pct' => moved.call(t) } : {}) }).first
    end

    assert_in_delta 65.0, opened.call(3.2).attempt.event(:opened_s), 0.2
    assert_in_delta 70.1, opened.call(2.8).attempt.event(:opened_s), 0.2
  end

  # Without the switch in the file nothing is claimed: rotor rpm alone wanders for many reasons.
  def test_without_the_switch_nothing_is_found
    assert_empty found(flight(columns: WrittenFlight::STILL.keys) { |t| joined(t) })
  end

  def test_never_split_is_never_joined
    one = found(flight).first

    assert_equal %w[manual], one.attempt.phase_ids
    refute_includes one.grades.map(&:phase), 'joining'
  end

  # Let go to 92 % and to 109 %: each named, with its own words.
  def test_rotor_rpm_let_go_either_way_is_named
    low = found(flight { |t| joined(t).merge('nr_pct' => t.between?(30, 34) ? 91.0 : 100.0) }).first
    high = found(flight { |t| joined(t).merge('nr_pct' => t.between?(30, 34) ? 109.0 : 100.0) }).first

    assert_equal ['low_rotor_rpm'], low.faults.map(&:id)
    assert_match(/fell to 91.0 %/, low.faults.first.evidence)
    assert_equal ['high_rotor_rpm'], high.faults.map(&:id)
  end

  # On either side of what stage 'solo' lets pass: 75 % of the 40 s by hand is 10 s outside, 80 % 8 s, 60 % 16 s.
  def test_the_standard_on_either_side
    verdict = ->(seconds) do
      one = found(flight { |t| joined(t).merge('nr_pct' => t.between?(30, 30 + seconds) ? 97.0 : 100.0) }).first
      one.measures['rpm_in_band_pct'].verdict
    end

    assert_equal(%w[polished in in marginal marginal out], [7, 8.5, 9.5, 10.5, 15.5, 18].map { |s| verdict.call(s) })
  end

  # Needles that never come together are not joined in no time.
  def test_needles_that_stay_apart
    apart = found(flight { |t| joined(t).merge('ne_pct' => t < 50 ? 100.0 : 90.0) }).first

    assert_equal 'not_recorded', apart.measures['joining_s'].verdict
    assert_equal 'the needles did not join', apart.measures['joining_s'].reason
  end

  # Rotor rpm past an absolute limit is critical, whatever the rest was.
  def test_past_an_absolute_limit
    over = found(flight { |t| joined(t).merge('nr_pct' => t.between?(30, 33) ? 116.0 : 100.0) }).first

    assert over.measures['manual_rotor_rpm_max_pct'].critical
    assert_includes over.faults.map(&:id), 'high_rotor_rpm'
  end

  # The throttle opens at 30.0 s, the collective is pulled from 30.8 s.
  def test_which_hand_moved_first
    one = found(flight do |t|
      joined(t).merge(
        'collective_pct' => 40.0 + (10.0 * ((t - 30.8) / 1.0).clamp(0.0, 1.0)),
        'throttle_pct' => t < 50 ? 60.0 + (10.0 * (t - 30.0).clamp(0.0, 1.0)) : joined(t)['throttle_pct']
      )
    end).first

    assert_in_delta 0.8, value(one, 'throttle_before_collective_s'), 0.15
  end

  # By hand: I 112 kg m², Ω 49.8 rad/s; what level flight takes at 78 kt comes from the plan of speeds. A tenth of it
  # slows the rotor by 100 ΔP / (I Ω²) percent a second, and from 98 % to the warning's 96 % takes 2 over that.
  def test_how_quickly_rotor_rpm_leaves_the_band
    plan = plan('governor_off')
    power = plan('level_speed_change').value('fast_power_kw') * 1000.0
    rate = 100.0 * 0.1 * power / (112 * (49.8**2))

    assert_in_delta rate, plan.value('rpm_rate_pct_s'), rate * 0.001
    assert_in_delta 2.0 / rate, plan.value('to_warning_s'), 0.01
    assert_in_delta 10.0 / rate, plan.value('to_overspeed_s'), 0.05
    assert_in_delta 80.0, plan.value('governor_from_pct')
  end
end
