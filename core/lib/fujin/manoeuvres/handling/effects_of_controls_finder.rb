# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Effects of controls in the hover: the skids off the ground.
      class EffectsOfControlsFinder
        include Grading::Stretches
        include BetweenHandovers

        AIRBORNE_FT = 1.5

        private

        def exercise = 'effects_of_controls'
        def stretch = 'hover'
        def recorded? = signals.signal?(:agl)
        def flying?(index) = height(index) > AIRBORNE_FT
      end
    end
  end
end
