# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      Hover =
        Catalogue.declare(
          __dir__,
          id: 'hover',
          title: 'Hover',
          family: 'handling',
          summary:
            "Still over a point in a box of the stage's size: drift, height, heading, and how much the hands move.",
          phases: %w[hover],
          measures: {
            'hover' => %w[
              hover_drift_max_ft hover_drift_rms_ft hover_drift_95_ft hover_in_box_pct hover_height_mean_ft
              hover_height_sd_ft hover_heading_max_deg control_reversals_per_min lte_exposure_s
            ]
          },
          faults: %w[over_controlled drifted_off_track exceeded_limit],
          settings: %w[turn_side],
          house: %w[power_check],
          course_of: 'hover',
          heat_prompt: Catalogue::HEAT_BEFORE_LIFT_OFF,
          planner: HoverPlan,
          key_numbers: %w[box_time_s box_radius_ft box_height_ft hover_height_ft power_margin_ige_pct],
          least_power_margin_pct: 3,
          standard: Grading::Standard.load("#{__dir__}/standards/hover.yml"),
          finder: HoverFinder,
          measurer: HoverMeasures,
          fault_finder: HoverFaults
        )
    end
  end
end
