# frozen_string_literal: true

module Fujin
  module Manoeuvres
    register Declaration.new(
      id: 'gyro_slow_flight',
      title: 'Gyroplane slow flight',
      family: 'gyroplane',
      summary: 'Level, slow and slower: power rises as the speed falls, to the edge of what there is.',
      kinds: %w[gyroplane],
      phases: %w[level],
      measures: {},
      faults: faults(*%w[slow_glide out_of_trim exceeded_limit]),
      planner: Planning::GyroSlowFlightPlan.planner,
      key_numbers: %w[slow_speed_kt lowest_level_speed_kt slow_power_kw power_available_kw],
      gated: false,
      hovers: 'none',
      any_course: true,
      finder: Grading::GyroFinder,
      measurer: Grading::PoweredMeasures,
      fault_finder: Grading::PoweredFaults
    )
  end
end
