# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      TurnAboutAPoint =
        Catalogue.declare(
          __dir__,
          id: 'turn_about_a_point',
          title: 'Turn about a point',
          family: 'circuit',
          summary: 'A constant radius all the way round: steepest downwind, shallowest upwind, four check points.',
          kinds: %w[helicopter gyroplane],
          phases: %w[turn],
          measures: {
            'turn' => %w[
              turn_radius_mean_ft turn_radius_max_off_ft spiral_ft turn_height_max_off_ft turn_bank_max_deg
              turn_bank_off_deg
            ]
          },
          faults: %w[spirals_in drifted_off_track out_of_trim exceeded_limit],
          settings: %w[turn_side radius_ft],
          planner: TurnAboutAPointPlan,
          key_numbers: %w[bank_deg turn_radius_ft least_bank_deg drift_angle_deg time_round_s],
          hovers: 'none',
          course_of: 'any',
          standard: Grading::Standard.load("#{__dir__}/standards/figures.yml"),
          finder: TurnAboutAPointFinder,
          measurer: TurnAboutAPointMeasures,
          fault_finder: Faults
        )
    end
  end
end
