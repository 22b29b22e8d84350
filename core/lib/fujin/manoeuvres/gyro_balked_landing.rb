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
      key_numbers: %w[recovery_height_ft climb_fpm climb_speed_kt climb_angle_deg],
      hovers: 'none',
      finder: Grading::GyroFinder,
      measurer: Grading::PoweredMeasures,
      fault_finder: Grading::PoweredFaults
    )
  end
end
