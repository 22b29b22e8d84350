# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      LiftOffAndSetDown =
        Catalogue.declare(
          __dir__,
          id: 'lift_off_and_set_down',
          title: 'Lift-off and set-down',
          family: 'handling',
          summary:
            'Straight up after a pause light on the skids, straight down without drift, a seating check before ' \
            'the collective goes down.',
          phases: %w[hover],
          measures: {
            'hover' => %w[
              hover_drift_max_ft hover_drift_rms_ft hover_drift_95_ft hover_in_box_pct hover_height_mean_ft
              hover_height_sd_ft hover_heading_max_deg control_reversals_per_min ground_contact_kt ground_roll_deg
              set_down_sink_fpm
            ]
          },
          faults: %w[over_controlled drift_at_contact not_level exceeded_limit],
          course_of: 'hover',
          heat_prompt: Catalogue::HEAT_BEFORE_LIFT_OFF,
          planner: LiftOffPlan,
          key_numbers: %w[hover_height_ft power_margin_ige_pct hover_power_inhg hover_power_pct],
          least_power_margin_pct: 3,
          standard: Grading::Standard.load("#{__dir__}/standards/lift_off_and_set_down.yml"),
          finder: LiftOffFinder,
          measurer: HoverMeasures,
          fault_finder: HoverFaults
        )
    end
  end
end
