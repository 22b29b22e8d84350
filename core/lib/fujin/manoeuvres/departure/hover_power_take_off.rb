# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Departure
      HoverPowerTakeOff =
        Catalogue.declare(
          __dir__,
          id: 'hover_power_take_off',
          title: 'Take-off at hover power',
          family: 'circuit',
          summary:
            'From a hover or the surface through translational lift to the climb, without adding power where the ' \
            'margin allows.',
          phases: %w[take_off climb],
          measures: {
            'take_off' => %w[transition_sink_ft power_added_pct avoid_area_s],
            'climb' => %w[climb_speed_height_ft climb_track_off_deg]
          },
          faults: %w[power_cap_broken drifted_off_track exceeded_limit],
          settings: %w[departure obstacle_ft],
          house: %w[power_check],
          course_of: 'take_off',
          missed_gate: 'A gate missed: stop while there is room.',
          heat_prompt: Catalogue::HEAT_BEFORE_LIFT_OFF,
          planner: HoverPowerTakeOffPlan,
          key_numbers: %w[
            climb_speed_kt climb_fpm power_margin_ige_pct etl_distance_ft climb_speed_height_ft avoid_area_s
          ],
          least_power_margin_pct: 5,
          part_of_circuit: 'take_off',
          standard: Grading::Standard.load("#{__dir__}/standards/hover_power_take_off.yml"),
          finder: Finder,
          measurer: Measures,
          fault_finder: Faults
        )
    end
  end
end
