# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      EnergyDrill =
        Catalogue.declare(
          __dir__,
          id: 'energy_drill',
          title: 'Energy drill',
          family: 'emergencies',
          summary:
            'A steady glide left for another speed and taken up again: height, airspeed and rotor rpm as one account.',
          phases: %w[glide],
          measures: {
            'glide' => %w[
              glide_ias_mean_kt glide_ias_min_kt glide_ias_max_kt height_beyond_glide_ft glide_rotor_rpm_mean_pct
              glide_rotor_rpm_min_pct glide_rotor_rpm_max_pct glide_sink_fpm pitch_before_collective_s
            ]
          },
          faults: %w[one_big_check low_rotor_rpm high_rotor_rpm exceeded_limit],
          house: %w[glide_speed outside_test],
          course_of: 'any',
          checks: [
            *Catalogue::CHECKS, 'Height enough to be level by the house height', 'Harness, loose articles',
            'Who moves the throttle is agreed'
          ],
          planner: EnergyDrillPlan,
          key_numbers: %w[
            glide_speed_kt slow_speed_kt fast_speed_kt slow_to_glide_ft glide_to_fast_ft rotor_ten_points_ft
          ],
          power_off: true,
          hovers: 'none',
          outside_test: true,
          heat_prompt: 'heat on before the throttle closes, as the flight manual says',
          standard: Grading::Standard.load("#{__dir__}/standards/energy_drill.yml"),
          finder: Finder,
          measurer: EnergyDrillMeasures,
          fault_finder: EnergyDrillFaults
        )
    end
  end
end
