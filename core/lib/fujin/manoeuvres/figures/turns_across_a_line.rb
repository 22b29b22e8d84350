# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      TurnsAcrossALine =
        Catalogue.declare(
          __dir__,
          id: 'turns_across_a_line',
          title: 'Turns across a line',
          family: 'circuit',
          summary: 'Half circles of one radius on alternate sides, the line crossed square and level.',
          kinds: %w[helicopter gyroplane],
          phases: %w[downwind_turn upwind_turn],
          measures:
            %w[downwind_turn upwind_turn].to_h do |half|
              [
                half,
                %w[radius_ft height_max_off_ft bank_max_deg bank_off_deg].map { |name| "#{half}_#{name}" } +
                  %w[turn_radius_max_off_ft crossing_off_deg crossing_bank_deg trim_deg]
              ]
            end,
          faults: %w[drifted_off_track out_of_trim exceeded_limit],
          settings: %w[radius_ft],
          planner: TurnsAcrossALinePlan,
          key_numbers: %w[bank_deg turn_radius_ft least_bank_deg drift_angle_deg groundspeed_kt],
          hovers: 'none',
          course_of: 'any',
          standard: Grading::Standard.load("#{__dir__}/standards/figures.yml"),
          finder: TurnsAcrossALineFinder,
          measurer: TurnsAcrossALineMeasures,
          fault_finder: Faults
        )
    end
  end
end
