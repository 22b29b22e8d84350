# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      RunOnLanding =
        Catalogue.declare(
          __dir__,
          id: 'run_on_landing',
          title: 'Run-on landing',
          family: 'limited',
          summary:
            'For when there is no power to hover: shallow, at or just above translational lift until contact, ' \
            'level skids along the ground track.',
          phases: %w[descent touchdown slide],
          measures: {
            'setup' => %w[setup_steady_s trim_deg],
            'descent' => %w[
              approach_angle_deg sink_max_fpm decision_height_ft decision_sink_fpm
              break_off_height_ft power_peak_pct power_rise_pct_s
            ],
            'touchdown' => %w[
              contact_sink_fpm contact_groundspeed_kt contact_drift_kt contact_pitch_deg contact_yaw_deg bounce_ft
              miss_along_ft miss_across_ft miss_ft
            ],
            'slide' => %w[lowering_rate_pct_s slide_ft]
          },
          faults: %w[
            rushed_setup power_cap_broken too_steep too_shallow late_decision not_level drift_at_contact
            exceeded_limit
          ],
          settings: %w[power_limit_pct approach_angle_deg surface],
          house: %w[sink_limit vortex_escape],
          checks: [
            *Catalogue::CHECKS, 'Surface looked at, wind along it', 'Straight ahead clear for the slide'
          ],
          planner: RunOnPlan,
          angle_setting: 'run_on_angle_deg',
          key_numbers: %w[
            touchdown_groundspeed_kt power_cap_inhg power_cap_torque_pct slide_ft lowest_level_speed_kt
            entry_distance_ft approach_angle_deg
          ],
          hovers: 'none',
          part_of_circuit: 'landing',
          standard: Grading::Standard.load("#{__dir__}/standards/run_on_landing.yml"),
          finder: Finder,
          measurer: RunOnMeasures,
          fault_finder: RunOnFaults,
          pilot: WholeFlight.of(RunOnPlan),
          knobs: Knobs::RUN_ON,
          told: Knobs::APPROACH_TOLD
        )
    end
  end
end
