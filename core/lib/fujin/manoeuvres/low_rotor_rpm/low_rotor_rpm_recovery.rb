# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module LowRotorRpm
      LowRotorRpmRecovery =
        Catalogue.declare(
          __dir__,
          id: 'low_rotor_rpm_recovery',
          title: 'Low rotor rpm recovery',
          family: 'emergencies',
          summary:
            'Yaw and a changing note, then the warning: throttle on and collective down together, before the blades ' \
            'stall.',
          phases: %w[decay recovery],
          measures: {
            'decay' => %w[min_rotor_rpm_pct reaction_s action_after_warning_s],
            'recovery' => %w[time_below_warning_s throttle_before_collective_s]
          },
          faults: %w[late_collective raised_collective low_rotor_rpm exceeded_limit],
          house: %w[entry collective_hand],
          course_of: 'any',
          checks: [
            *Catalogue::CHECKS, 'Height enough to be level by the house height', 'Harness, loose articles',
            'Who moves the throttle is agreed'
          ],
          planner: Plan,
          key_numbers: %w[
            warning_after_s too_late_after_s low_warning_pct rotor_decay_to_90_s hover_warning_after_s
            stall_rotor_rpm_pct
          ],
          hovers: 'none',
          standard: Grading::Standard.load("#{__dir__}/standards/low_rotor_rpm_recovery.yml"),
          finder: Finder,
          measurer: Measures,
          fault_finder: Faults
        )
    end
  end
end
