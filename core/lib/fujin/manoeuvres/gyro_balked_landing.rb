# frozen_string_literal: true

module Fujin
  module Manoeuvres
    register Declaration.new(
      id: 'gyro_balked_landing',
      title: 'Gyroplane balked landing',
      family: 'gyroplane',
      summary: 'Power from low down: how much height goes before it climbs, and from where it cannot.',
      kinds: %w[gyroplane],
      phases: %w[descent recovery climb],
      measures: {},
      faults: faults(*%w[late_decision exceeded_limit]),
      planner: Planning::GyroBalkedLandingPlan.planner,
      hovers: 'none'
    )
  end
end
