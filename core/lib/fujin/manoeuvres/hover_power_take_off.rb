# frozen_string_literal: true

module Fujin
  module Manoeuvres
    register Declaration.new(
      id: 'hover_power_take_off',
      title: 'Take-off at hover power',
      family: 'circuit',
      summary: 'From a hover or the surface through translational lift to the climb, without adding power where the ' \
               'margin allows.',
      phases: %w[take_off climb],
      measures: {},
      faults: faults(*%w[power_cap_broken drifted_off_track exceeded_limit]),
      settings: %w[departure obstacle_ft],
      planner: Planning::HoverPowerTakeOffPlan.planner,
      least_power_margin_pct: 5
    )
  end
end
