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
              Text.of('%{headwind_kt} kt on the nose turns the rotor by itself: stick into wind, until it has ' \
                'stopped.',
                      headwind_kt: headwind_kt.round)
            )
          end
          found
        end

        def under_minimum
          return nil unless released_pct < minimum_pct

          caution(
            'prerotation',
            'limit',
            Text.of('Rotor rpm at release is %{released_pct} %, %{wanted} % wanted, %{short} points ' \
              'short: prerotate more%{where}.',
                    released_pct: released_pct.round, wanted: minimum_pct.round,
                    short: (minimum_pct - released_pct).ceil,
                    where: (' on the runway' if @house['prerotation_at'] == 'hold'))
          )
        end

        def flap_margin
          margin = @type.fetch('flap_limit_deg') - roll.max(:flap_deg)
          return nil if !roll.lifted_off? || margin >= STOP_MARGIN_DEG

          caution(
            'flap_margin',
            'limit',
            Text.of('Flapping reaches %{roll}°, within %{margin}° of the limit, %{stop_margin_deg}° wanted: more ' \
              'prerotation.',
                    roll: roll.max(:flap_deg).round(1), margin: margin.round(1), stop_margin_deg: STOP_MARGIN_DEG)
          )
        end

        def abandoned =
          if roll.lifted_off?
            nil
          else
            caution('abandoned', 'limit', Text.of('This take-off is abandoned: %{abandoned}.',
                                                  abandoned: roll.abandoned))
          end
      end
    end
  end
end
