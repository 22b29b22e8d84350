# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # What to watch in a gyroplane's take-off: flap, porpoising, a rotor that is too slow, a roll that ends on the
      # ground. For its plan.
      module TakeOffCautions
        STOP_MARGIN_DEG = 3.0

        private

        def own_cautions
          found = [
            caution(
              'flap',
              'caution',
              'At the first flap: stick forward, throttle closed, abandon. Never pull back into it.'
            ),
            caution('porpoising', 'caution', Plan::PORPOISING),
            under_minimum,
            flap_margin,
            abandoned
          ].compact
          if headwind_kt > 12
            found << caution(
              'headwind_spin',
              'note',
              "#{headwind_kt.round} kt on the nose turns the rotor by itself: stick into wind, until it has stopped."
            )
          end
          found
        end

        def under_minimum
          return nil unless released_pct < minimum_pct

          caution(
            'prerotation',
            'limit',
            "Rotor rpm at release is #{released_pct.round} %, #{minimum_pct.round} % wanted, " \
              "#{(minimum_pct - released_pct).ceil} points short: prerotate " \
              "more#{' on the runway' if @house['prerotation_at'] == 'hold'}."
          )
        end

        def flap_margin
          margin = @type.fetch('flap_limit_deg') - roll.max(:flap_deg)
          return nil if !roll.lifted_off? || margin >= STOP_MARGIN_DEG

          caution(
            'flap_margin',
            'limit',
            "Flapping reaches #{roll.max(:flap_deg).round(1)}°, within #{margin.round(1)}° of the limit, " \
              "#{STOP_MARGIN_DEG}° wanted: more prerotation."
          )
        end

        def abandoned =
          roll.lifted_off? ? nil : caution('abandoned', 'limit', "This take-off is abandoned: #{roll.abandoned}.")
      end
    end
  end
end
