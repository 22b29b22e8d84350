# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      HoverTaxi =
        Catalogue.declare(
          __dir__,
          id: 'hover_taxi',
          title: 'Hover taxi',
          family: 'handling',
          summary:
            'From one hover to the next along a line, forward, rearward, left or right: a walking pace, one height, ' \
            'the nose still, a stop where it was said.',
          phases: %w[taxi stop],
          measures: {
            'taxi' => %w[
              taxi_speed_kt
              taxi_speed_max_kt
              taxi_track_off_ft
              taxi_height_max_off_ft
              taxi_heading_max_deg
              taxi_way_deg
              control_reversals_per_min
              lte_exposure_s
            ],
            'stop' => %w[taxi_stop_ft]
          },
          faults: %w[over_controlled drifted_off_track exceeded_limit],
          settings: %w[taxi_way taxi_ft taxi_speed_kt],
          house: %w[power_check],
          planner: HoverTaxiPlan,
          key_numbers: %w[taxi_speed_kt hover_height_ft taxi_ft taxi_time_s relative_wind_deg power_margin_ige_pct],
          course_of: 'any',
          least_power_margin_pct: 3,
          heat_prompt: Catalogue::HEAT_BEFORE_LIFT_OFF,
          standard: Grading::Standard.load("#{__dir__}/standards/hover_taxi.yml"),
          finder: HoverTaxiFinder,
          measurer: HoverTaxiMeasures,
          fault_finder: HoverTaxiFaults
        )
    end
  end
end
