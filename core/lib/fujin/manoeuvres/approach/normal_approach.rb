# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      NormalApproach =
        Catalogue.declare(
          __dir__,
          id: 'normal_approach',
          title: 'Normal approach',
          family: 'circuit',
          summary:
            'About ten degrees to a hover: collective holds the angle, cyclic the closing speed, the apparent ' \
            'closing rate stays the same.',
          phases: %w[descent termination],
          measures: {
            'setup' => %w[setup_steady_s trim_deg],
            'descent' => %w[
              approach_angle_deg approach_angle_off_deg closing_speed_off_kt decision_height_ft decision_sink_fpm
              break_off_height_ft
              sink_max_fpm sink_max_below_30_kt_fpm sink_over_allowed_fpm vortex_ring_index_max vortex_ring_margin_fpm
              groundspeed_at_50_ft_kt
            ],
            'termination' => %w[
              hover_height_ft termination_heading_off_deg power_peak_pct power_rise_pct_s lte_exposure_s
              contact_sink_fpm contact_groundspeed_kt contact_drift_kt miss_along_ft miss_across_ft miss_ft
            ]
          },
          faults: %w[
            rushed_setup too_steep too_shallow sank_at_low_speed late_decision drifted_off_track exceeded_limit
          ],
          settings: %w[approach_angle_deg],
          house: %w[approach_speed sink_limit vortex_escape],
          planner: NormalApproachPlan,
          angle_setting: 'normal_angle_deg',
          key_numbers: %w[
            approach_angle_deg entry_sink_fpm decision_height_ft entry_distance_ft sink_margin_fpm power_margin_pct
          ],
          least_power_margin_pct: 5,
          part_of_circuit: 'landing',
          standard: Grading::Standard.load("#{__dir__}/standards/normal_approach.yml"),
          finder: Finder,
          measurer: Measures,
          fault_finder: Faults,
          pilot: WholeFlight.of(NormalApproachPlan),
          knobs: Knobs::APPROACH,
          told: Knobs::APPROACH_TOLD
        )
    end
  end
end
