# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      GyroTakeOff =
        Catalogue.declare(
          __dir__,
          id: 'gyro_take_off',
          title: 'Gyroplane take-off',
          family: 'gyroplane',
          summary:
            'Prerotate, roll with the stick aft while the rotor speeds up, balance on the mainwheels, lift off at ' \
            "the type's rotor rpm and speed.",
          kinds: %w[gyroplane],
          phases: %w[prerotation roll balance climb],
          measures: {
            'prerotation' => %w[prerotation_pct],
            'roll' => %w[roll_advance_ratio_max flap_max_deg roll_rotor_rpm_min_pct roll_stick_aft_pct
                         roll_stick_min_pct],
            'balance' => %w[lift_off_ias_kt lift_off_rotor_rpm_pct lift_off_pitch_deg],
            'climb' => %w[ias_at_50_ft_kt]
          },
          faults: %w[slow_rotor_roll stick_forward_too_long exceeded_limit],
          settings: %w[prerotation_pct],
          house: %w[prerotation_at gyro_taxi],
          course_of: 'take_off',
          missed_gate: 'A gate missed: throttle closed, keep it straight, stop.',
          checks: [
            *Catalogue::CHECKS, 'Nobody near the rotor', 'Prerotator off before the roll',
            'Stick and brakes as the type says'
          ],
          planner: TakeOffPlan,
          key_numbers: %w[prerotation_pct lift_off_ias_kt roll_ft lift_off_rotor_rpm_pct flap_max_deg climb_fpm],
          hovers: 'none',
          heat_prompt: 'check for ice with heat before the roll, then heat as the flight manual says for take-off',
          part_of_circuit: 'take_off',
          standard: Grading::Standard.load("#{__dir__}/standards/gyro_take_off.yml"),
          finder: Finder,
          measurer: TakeOffMeasures,
          fault_finder: TakeOffFaults
        )
    end
  end
end
