# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      HoverTurn =
        Catalogue.declare(
          __dir__,
          id: 'hover_turn',
          title: 'Hover turn',
          family: 'handling',
          summary:
            'A pedal turn about the mast: even rate, position and height held, the area checked first, the side ' \
            'that costs power known.',
          phases: %w[hover],
          measures: {
            'hover' => %w[
              hover_drift_max_ft hover_drift_rms_ft hover_drift_95_ft hover_in_box_pct hover_height_mean_ft
              hover_height_sd_ft hover_heading_max_deg turn_rate_mean_deg_s turn_rate_max_deg_s
              control_reversals_per_min lte_exposure_s
            ]
          },
          faults: %w[over_controlled drifted_off_track yaw_uncorrected exceeded_limit],
          settings: %w[turn_deg turn_side],
          course_of: 'hover',
          heat_prompt: Catalogue::HEAT_BEFORE_LIFT_OFF,
          planner: HoverTurnPlan,
          key_numbers: %w[turn_rate_deg_s turn_time_s box_radius_ft hover_height_ft power_margin_ige_pct],
          least_power_margin_pct: 5,
          standard: Grading::Standard.load("#{__dir__}/standards/hover_turn.yml"),
          finder: HoverFinder,
          measurer: HoverMeasures,
          fault_finder: HoverFaults
        )
    end
  end
end
