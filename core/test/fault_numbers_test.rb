# frozen_string_literal: true

require_relative 'test_helper'

# Rules that one measure shows: surely over its number is a fault, a hair less is none, and a reading's own uncertainty
# accuses nobody. The numbers are written out here.
class FaultNumbersTest < Minitest::Test
  Taken = Struct.new(:signals, :attempt, :context, :manoeuvre, :course_deg, :gate_s)
  UNSURE = 0.5

  # Manoeuvre, fault, measure, and what a solo student is allowed.
  OVER = [
    ['hover', 'over_controlled', 'control_reversals_per_min', 40.0],
    ['hover', 'drifted_off_track', 'hover_drift_max_ft', 10.0],
    ['hover_turn', 'yaw_uncorrected', 'turn_rate_max_deg_s', 35.0],
    ['lift_off_and_set_down', 'drift_at_contact', 'ground_contact_kt', 1.5],
    ['lift_off_and_set_down', 'not_level', 'ground_roll_deg', 4.0],
    ['hover_taxi', 'over_controlled', 'control_reversals_per_min', 40.0],
    ['level_speed_change', 'drifted_off_track', 'level_heading_max_deg', 10.0],
    ['hover_power_take_off', 'power_cap_broken', 'power_added_pct', 7.0],
    ['hover_power_take_off', 'drifted_off_track', 'climb_track_off_deg', 10.0],
    ['rectangle', 'drifted_off_track', 'track_error_max_ft', 200.0],
    ['turns_across_a_line', 'drifted_off_track', 'crossing_off_deg', 10.0],
    ['low_rotor_rpm_recovery', 'late_collective', 'action_after_warning_s', 1.5]
  ].freeze

  def faults(manoeuvre, measure, value)
    declared = Fujin::Catalogue.find(manoeuvre)
    phases = declared.phases.each_with_index.map do |id, i|
      Fujin::Grading::Phase.new(id: id, start_s: i * 5.0, end_s: (i + 1) * 5.0)
    end
    attempt = Fujin::Grading::Attempt.new(manoeuvre: manoeuvre, start_s: 0.0, end_s: 5.0 * phases.size, phases: phases,
                                          events: {})
    about = Fujin::Lessons.context(conditions: conditions, stage: 'solo', exercise: manoeuvre, planned: true)
    taken = Taken.new(flying, attempt, about, declared, 350.0)
    one = Fujin::Grading::Measure.new(id: measure, value: value, unit: Fujin::Glossary.measure(measure).unit,
                                      phase: phases.first.id)
    targets = about.targets_of(declared)
    judged = Fujin::Grading::Judging
      .new(about, declared, targets, barometer: false)
      .judged({ measure => one }, { measure => [value - UNSURE, value + UNSURE] })
    declared.fault_finder.new(taken, judged)
  end

  # Level at 600 ft; no limit of the aircraft is passed.
  def flying
    @flying ||= begin
      csv = "t_s,agl_ft,gs_kt,ias_kt,nr_pct\n#{(0..300).map { |i| "#{i * 0.1},600,60,60,100" }.join("\n")}\n"
      signals_of(csv)
    end
  end

  OVER.each do |manoeuvre, fault, measure, number|
    define_method("test_#{fault}_of_#{manoeuvre}_by_#{measure}") do
      inside, outside = [number + UNSURE - 0.01, number + UNSURE + 0.01].map do |value|
        faults(manoeuvre, measure, value).send(fault)
      end

      assert_nil inside, 'not surely over'
      assert_equal [fault, [measure]], [outside.id, outside.measures]
    end
  end

  # Rotor rpm ten points under the type's warning.
  def test_a_rotor_that_fell_deep
    least = type.low_warning_pct - 10.0

    refute_nil faults('low_rotor_rpm_recovery', 'min_rotor_rpm_pct', least - UNSURE - 0.01).send(:low_rotor_rpm)
    assert_nil faults('low_rotor_rpm_recovery', 'min_rotor_rpm_pct', least - UNSURE + 0.01).send(:low_rotor_rpm)
  end
end
