# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      GyroVerticalDescent = Catalogue.declare(
        __dir__,
        id: 'gyro_vertical_descent',
        title: 'Gyroplane vertical descent',
        family: 'gyroplane',
        summary: 'Speed off until it sinks straight down, then nose down for speed: height lost in the recovery ' \
          'against height in hand.',
        kinds: %w[gyroplane],
        phases: %w[descent recovery],
        measures: {
          'descent' => %w[slow_ias_min_kt descent_sink_max_fpm],
          'recovery' => %w[recovery_height_ft recovery_min_height_ft recovery_time_s]
        },
        faults: %w[late_decision exceeded_limit],
        missed_gate: 'Nose down at its height, at the latest.',
        checks: [
          *Catalogue::CHECKS, 'Height enough to be level by the house height', 'Harness, loose articles',
          'Who moves the throttle is agreed'
        ],
        planner: VerticalDescentPlan,
        key_numbers: %w[recovery_steady_height_ft lowest_start_height_ft descent_sink_fpm recovery_speed_kt],
        hovers: 'none',
        course_of: 'any',
        house: %w[outside_test],
        outside_test: true,
        standard: Grading::Standard.load("#{__dir__}/standards/gyro_vertical_descent.yml"),
        finder: Finder,
        measurer: FlightMeasures,
        fault_finder: FlightFaults
      )
    end
  end
end
