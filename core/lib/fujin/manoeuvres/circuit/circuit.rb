# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Circuit
      Circuit =
        Catalogue.declare(
          __dir__,
          id: 'circuit',
          title: 'Circuit',
          family: 'circuit',
          summary:
            "Take-off to landing by legs: headings and ground speeds in today's wind, turn heights, a consistent " \
            'set-up point for the approach.',
          kinds: %w[helicopter gyroplane],
          phases: %w[upwind crosswind downwind base final],
          measures: {
            'upwind' => %w[upwind_climb_fpm first_turn_height_ft],
            'crosswind' => %w[crosswind_track_off_deg],
            'downwind' => %w[
              downwind_height_mean_ft downwind_height_max_off_ft downwind_ias_mean_kt downwind_track_off_deg
              spacing_ft
            ],
            'base' => %w[base_height_ft base_ias_mean_kt],
            'final' => %w[
              approach_angle_deg set_up_after_s set_up_height_ft set_up_distance_ft set_up_ias_kt final_ias_mean_kt
            ]
          },
          faults: %w[rushed_setup drifted_off_track too_steep too_shallow exceeded_limit],
          settings: %w[turn_side width_ft],
          house: %w[approach_speed sink_limit],
          planner: Plan,
          key_numbers: %w[
            entry_height_ft set_up_height_ft approach_sink_fpm set_up_distance_ft spacing_ft groundspeed_kt
          ],
          least_power_margin_pct: 5,
          heat_prompt: 'heat on before power is reduced on base, as the flight manual says',
          standard: Grading::Standard.load("#{__dir__}/standards/circuit.yml"),
          longest_s: 480.0,
          finder: Finder,
          measurer: Measures,
          fault_finder: Faults
        )
    end
  end
end
