# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      EffectsInFlight =
        Catalogue.declare(
          __dir__,
          id: 'effects_in_flight',
          title: 'Effects of controls in level flight',
          family: 'handling',
          summary:
            'One control at a time at a safe height: what each does first, what follows from it, and what the other ' \
            'hands then have to do. Time held before take-over, excursions in height, speed and heading.',
          kinds: %w[helicopter gyroplane],
          phases: %w[level],
          measures: {
            'level' => %w[held_s level_height_max_ft level_ias_max_off_kt level_heading_max_deg trim_deg]
          },
          faults: %w[out_of_trim drifted_off_track exceeded_limit],
          planner: EffectsInFlightPlan,
          key_numbers: %w[
            level_speed_kt entry_height_ft hold_time_s level_power_inhg level_power_torque_pct height_band_ft
            speed_band_kt heading_band_deg
          ],
          hovers: 'none',
          course_of: 'any',
          standard: Grading::Standard.load("#{__dir__}/standards/effects_in_flight.yml"),
          finder: EffectsInFlightFinder,
          measurer: EffectsInFlightMeasures,
          fault_finder: LevelSpeedChangeFaults
        )
    end
  end
end
