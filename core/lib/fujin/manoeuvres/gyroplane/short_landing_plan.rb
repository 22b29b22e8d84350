# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # The shortest roll: the ordinary landing with its flare held until three quarters of the speed is left.
      class ShortLandingPlan < LandingPlan
        def self.declaration = GyroShortLanding

        # Of the ordinary touchdown speed; slower needs more height than a training flare has. Chosen.
        SHORT_SHARE = 0.75

        private

        def ordinary_touchdown_kt = LandingPlan.instance_method(:touchdown_kt).bind_call(self)
        def touchdown_kt = SHORT_SHARE * ordinary_touchdown_kt

        def own_numbers
          ordinary = [groundspeed_kt(@course_deg, ordinary_touchdown_kt), 0.0].max
          super.merge('ordinary_slide_ft' => number(rolled_ft(ordinary, BRAKE), 'ft'))
        end

        def own_cautions
          [
            caution(
              'short',
              'caution',
              Text.of('Touch down at %{touchdown_kt} kt, not slower: there is no speed left to round out again. ' \
                "Dropped from above the wheels' height it lands hard: power and away instead.",
                      touchdown_kt: touchdown_kt.round)
            ),
            *super
          ]
        end
      end
    end
  end
end
