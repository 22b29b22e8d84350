# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      GyroShortLanding =
        Catalogue.declare(
          __dir__,
          id: 'gyro_short_landing',
          title: 'Gyroplane short landing',
          family: 'gyroplane',
          summary:
            'Slower over the threshold, the flare held until almost no speed is left, the shortest roll. ' \
            'After ordinary landings are to standard.',
          kinds: GyroLanding.kinds,
          phases: GyroLanding.phases,
          measures: GyroLanding.measures,
          faults: GyroLanding.faults.map(&:id),
          settings: GyroLanding.settings,
          house: GyroLanding.house,
          planner: ShortLandingPlan,
          key_numbers: %w[
            glide_speed_kt descent_sink_fpm flare_height_ft touchdown_groundspeed_kt slide_ft ordinary_slide_ft
          ],
          hovers: 'none',
          standard: Grading::Standard.load("#{__dir__}/standards/gyro_short_landing.yml"),
          finder: Finder,
          measurer: LandingMeasures,
          fault_finder: LandingFaults
        )
    end
  end
end
