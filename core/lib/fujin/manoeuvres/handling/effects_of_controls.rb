# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      EffectsOfControls =
        Catalogue.declare(
          __dir__,
          id: 'effects_of_controls',
          title: 'Effects of controls',
          family: 'handling',
          summary:
            'One control at a time: the instructor keeps the others. Time held before take-over, excursions in ' \
            'height, heading and position.',
          phases: %w[hover],
          measures: {
            'hover' => %w[
              hover_drift_max_ft hover_drift_rms_ft hover_height_mean_ft hover_height_sd_ft hover_heading_max_deg
              control_reversals_per_min hover_height_max_off_ft held_s
            ]
          },
          faults: %w[over_controlled drifted_off_track exceeded_limit],
          course_of: 'any',
          heat_prompt: Catalogue::HEAT_BEFORE_LIFT_OFF,
          planner: EffectsOfControlsPlan,
          key_numbers: %w[box_time_s box_radius_ft box_height_ft hover_height_ft],
          least_power_margin_pct: 3,
          standard: Grading::Standard.load("#{__dir__}/standards/hover.yml"),
          finder: EffectsOfControlsFinder,
          measurer: HoverMeasures,
          fault_finder: HoverFaults
        )
    end
  end
end
