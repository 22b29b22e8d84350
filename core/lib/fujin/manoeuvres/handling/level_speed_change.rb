# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      LevelSpeedChange = Catalogue.declare(
        __dir__,
        id: 'level_speed_change',
        title: 'Level speed change',
        family: 'handling',
        summary: 'Faster and slower at one height and heading: power, attitude and trim together.',
        kinds: %w[helicopter gyroplane],
        phases: %w[level],
        measures: { 'level' => %w[speed_change_kt settle_s level_height_max_ft level_heading_max_deg trim_deg] },
        faults: %w[out_of_trim drifted_off_track exceeded_limit],
        planner: LevelSpeedChangePlan,
        key_numbers: %w[
          slow_speed_kt fast_speed_kt change_time_s fast_power_inhg fast_power_torque_pct slow_power_inhg
          slow_power_torque_pct
        ],
        hovers: 'none',
        course_of: 'any',
        standard: Grading::Standard.load("#{__dir__}/standards/level_speed_change.yml"),
        finder: LevelSpeedChangeFinder,
        measurer: LevelSpeedChangeMeasures,
        fault_finder: LevelSpeedChangeFaults
      )
    end
  end
end
