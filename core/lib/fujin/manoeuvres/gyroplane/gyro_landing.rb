# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      GyroLanding =
        Catalogue.declare(
          __dir__,
          id: 'gyro_landing',
          title: 'Gyroplane landing',
          family: 'gyroplane',
          summary:
            'A ladder from power to none: glide, round-out, touchdown on the mainwheels, ' \
            'the nosewheel kept off, the roll.',
          kinds: %w[gyroplane],
          phases: %w[glide flare touchdown roll_out],
          measures: {
            'setup' => %w[setup_steady_s],
            'glide' => %w[glide_ias_mean_kt glide_ias_min_kt glide_ias_max_kt glide_sink_fpm],
            'flare' => %w[flare_height_ft],
            'touchdown' => %w[
              contact_sink_fpm contact_groundspeed_kt contact_drift_kt contact_pitch_deg bounce_ft miss_along_ft
              miss_across_ft miss_ft
            ],
            'roll_out' => %w[nosewheel_off_s slide_ft]
          },
          faults: %w[
            rushed_setup slow_glide fast_glide early_flare late_flare not_level drift_at_contact exceeded_limit
          ],
          settings: %w[power_share_pct],
          house: %w[gyro_landings],
          planner: LandingPlan,
          key_numbers: %w[
            glide_speed_kt descent_sink_fpm flare_height_ft entry_distance_ft touchdown_groundspeed_kt slide_ft
          ],
          hovers: 'none',
          part_of_circuit: 'landing',
          standard: Grading::Standard.load("#{__dir__}/standards/gyro_landing.yml"),
          finder: Finder,
          measurer: LandingMeasures,
          fault_finder: LandingFaults
        )
    end
  end
end
