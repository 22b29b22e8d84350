# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      GyroBalkedLanding = Catalogue.declare(
        __dir__,
        id: 'gyro_balked_landing',
        title: 'Gyroplane balked landing',
        family: 'gyroplane',
        summary: 'Power from low down: how much height goes before it climbs, and from where it cannot.',
        kinds: %w[gyroplane],
        phases: %w[descent recovery climb],
        measures: {
          'descent' => %w[descent_ias_mean_kt descent_sink_max_fpm],
          'recovery' => %w[recovery_ias_kt recovery_min_height_ft recovery_time_s],
          'climb' => %w[climb_ias_mean_kt]
        },
        faults: %w[late_decision exceeded_limit],
        planner: BalkedLandingPlan,
        key_numbers: %w[recovery_height_ft climb_fpm climb_speed_kt climb_angle_deg],
        hovers: 'none',
        standard: Grading::Standard.load("#{__dir__}/standards/gyro_balked_landing.yml"),
        finder: Finder,
        measurer: FlightMeasures,
        fault_finder: BalkedLandingFaults
      )
    end
  end
end
