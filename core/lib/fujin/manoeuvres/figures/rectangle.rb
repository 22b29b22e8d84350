# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      Rectangle =
        Catalogue.declare(
          __dir__,
          id: 'rectangle',
          title: 'Rectangle',
          family: 'circuit',
          summary:
            'Four sides over the ground in a wind: drift on each, more or less than ninety degrees at each corner.',
          kinds: %w[helicopter gyroplane],
          phases: %w[downwind crosswind upwind crosswind_back],
          measures:
            RectangleFinder::SIDES.to_h do |side|
              [
                side,
                %w[track_error_ft wind_correction_off_deg height_max_off_ft bank_max_deg turn_off_deg].map do |name|
                  "#{side}_#{name}"
                end + %w[track_error_max_ft trim_deg]
              ]
            end,
          faults: %w[drifted_off_track out_of_trim exceeded_limit],
          settings: %w[turn_side radius_ft leg_ft width_ft],
          planner: RectanglePlan,
          key_numbers: %w[bank_deg turn_radius_ft most_turn_deg drift_angle_deg groundspeed_kt],
          hovers: 'none',
          course_of: 'any',
          standard: Grading::Standard.load("#{__dir__}/standards/figures.yml"),
          finder: RectangleFinder,
          measurer: RectangleMeasures,
          fault_finder: Faults
        )
    end
  end
end
