# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      TurnAlongALine =
        Catalogue.declare(
          __dir__,
          id: 'turn_along_a_line',
          title: 'Turn while moving along a line',
          family: 'handling',
          summary:
            'A hover taxi along a line while the nose goes round at an even rate: the way stays straight, the pace ' \
            'and the height stay, and the wind comes from every side in turn.',
          phases: %w[taxi stop],
          measures: {
            'taxi' => %w[
              taxi_speed_kt
              taxi_speed_max_kt
              taxi_track_off_ft
              taxi_height_max_off_ft
              line_turned_deg
              turn_rate_mean_deg_s
              turn_rate_max_deg_s
              control_reversals_per_min
              lte_exposure_s
            ],
            'stop' => %w[taxi_stop_ft]
          },
          faults: %w[over_controlled yaw_uncorrected drifted_off_track exceeded_limit],
          settings: %w[turn_deg turn_side taxi_ft taxi_speed_kt],
          house: %w[power_check],
          planner: TurnAlongALinePlan,
          key_numbers: %w[
            taxi_speed_kt turn_rate_deg_s hover_height_ft turn_deg taxi_ft taxi_time_s power_margin_ige_pct
          ],
          course_of: 'any',
          least_power_margin_pct: 5,
          heat_prompt: Catalogue::HEAT_BEFORE_LIFT_OFF,
          standard: Grading::Standard.load("#{__dir__}/standards/turn_along_a_line.yml"),
          finder: TurnAlongALineFinder,
          measurer: TurnAlongALineMeasures,
          fault_finder: HoverTaxiFaults
        )
    end
  end
end
