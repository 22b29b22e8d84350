# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Departure
      MaximumPerformanceTakeOff =
        Catalogue.declare(
          __dir__,
          id: 'maximum_performance_take_off',
          title: 'Maximum-performance take-off',
          family: 'limited',
          summary:
            'All the power there is, up first and forward later: over an obstacle, through the height-velocity ' \
            'area and out of it.',
          phases: %w[take_off climb],
          measures: {
            'take_off' => %w[transition_sink_ft power_added_pct power_peak_pct avoid_area_s],
            'climb' => %w[climb_speed_height_ft climb_track_off_deg]
          },
          faults: %w[drifted_off_track exceeded_limit],
          settings: %w[departure obstacle_ft],
          house: %w[power_check],
          course_of: 'take_off',
          missed_gate: 'A gate missed: ease the collective down and land ahead while there is room.',
          heat_prompt: Catalogue::HEAT_BEFORE_LIFT_OFF,
          planner: MaximumPerformancePlan,
          key_numbers: %w[
            climb_angle_deg climb_angle_speed_kt power_margin_pct obstacle_distance_ft vertical_climb_fpm avoid_area_s
          ],
          hovers: 'oge',
          least_power_margin_pct: 5,
          part_of_circuit: 'take_off',
          standard: Grading::Standard.load("#{__dir__}/standards/take_off.yml"),
          finder: Finder,
          measurer: Measures,
          fault_finder: Faults
        )
    end
  end
end
