# frozen_string_literal: true

module Fujin
  module Manoeuvres
    register Declaration.new(
      id: 'circuit',
      title: 'Circuit',
      family: 'circuit',
      summary: "Take-off to landing by legs: headings and ground speeds in today's wind, turn heights, a consistent " \
               'set-up point for the approach.',
      kinds: %w[helicopter gyroplane],
      phases: %w[upwind crosswind downwind base final],
      measures: {},
      faults: faults(*%w[rushed_setup drifted_off_track too_steep too_shallow exceeded_limit]),
      settings: %w[turn_side width_ft],
      planner: Planning::CircuitPlan.planner,
      key_numbers: %w[entry_height_ft set_up_height_ft approach_sink_fpm set_up_distance_ft spacing_ft groundspeed_kt],
      least_power_margin_pct: 5,
      heat_prompt: 'heat on before power is reduced on base'
    )
  end
end
