# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Effects of controls in level flight: high enough and fast enough not to be a take-off or a landing.
      class EffectsInFlightFinder
        include Grading::Stretches
        include BetweenHandovers

        private

        def exercise = 'effects_in_flight'
        def stretch = 'level'
        def recorded? = signals.signal?(:agl) && signals.signal?(:ias)

        def flying?(index) =
          height(index) > LevelSpeedChangeFinder::ABOVE_FT && signals[:ias][index] > LevelSpeedChangeFinder::SLOWEST_KT
      end
    end
  end
end
