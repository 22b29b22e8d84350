# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      GyroSlowFlight =
        Catalogue.declare(
          __dir__,
          id: 'gyro_slow_flight',
          title: 'Gyroplane slow flight',
          family: 'gyroplane',
          summary: 'Level, slow and slower: power rises as the speed falls, to the edge of what there is.',
          kinds: %w[gyroplane],
          phases: %w[level],
          measures: {
            'level' => %w[
              slow_ias_mean_kt slow_ias_min_kt level_height_max_ft height_lost_ft level_heading_max_deg trim_deg
            ]
          },
          faults: %w[slow_glide out_of_trim exceeded_limit],
          checks: [
            *Catalogue::CHECKS, 'Height enough to be level by the house height', 'Harness, loose articles',
            'Who moves the throttle is agreed'
          ],
          planner: SlowFlightPlan,
          key_numbers: %w[slow_speed_kt lowest_level_speed_kt slow_power_inhg slow_power_torque_pct power_available_kw],
          hovers: 'none',
          course_of: 'any',
          standard: Grading::Standard.load("#{__dir__}/standards/gyro_slow_flight.yml"),
          finder: Finder,
          measurer: FlightMeasures,
          fault_finder: FlightFaults
        )
    end
  end
end
