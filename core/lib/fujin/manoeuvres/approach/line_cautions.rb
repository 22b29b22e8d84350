# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # What to watch on the line of a powered approach: sink over what is allowed, vortex ring and the way out of it,
      # the height-velocity area. For plans, whose numbers it reads.
      module LineCautions
        # Longer inside the height-velocity area is more than an approach to a hover needs, s. Chosen.
        LONG_IN_AVOID_AREA_S = 30.0
        # The vortex-ring region needs this margin of sink, ft/min.
        RING_MARGIN_FPM = 200.0

        private

        def own_cautions = [sink_caution, ring_caution, escape, avoid_area].compact

        def sink_caution
          margin = value('sink_margin_fpm')
          return nil unless margin.negative?

          caution(
            'sink_limit',
            'limit',
            "At #{value('least_margin_at_kt').round} kt the sink is #{(-margin).ceil} ft/min over the limit: " \
              'shallower, or ' \
              'keep the speed longer.'
          )
        end

        def ring_caution
          margin = value('vortex_ring_margin_fpm')
          return nil unless margin && margin < RING_MARGIN_FPM

          caution(
            'vortex_ring',
            margin.negative? ? 'limit' : 'caution',
            if margin.negative?
              "The line is #{(-margin).ceil} ft/min inside vortex ring: less sink before less speed."
            else
              "#{margin.floor} ft/min more sink would be vortex ring: less sink before less speed."
            end
          )
        end

        def escape
          way =
            if @house['vortex_escape'] == 'sideways'
              "sideways: cyclic to the #{@type.clockwise? ? 'left' : 'right'}, power, #{@type.power_on_pedal} pedal"
            else
              'forward with cyclic, then power'
            end
          caution(
            'vortex_escape',
            'note',
            "Sink grows, collective does nothing, it shakes: out #{way}. Never collective alone."
          )
        end

        def avoid_area
          seconds = value('avoid_area_s')
          return nil unless seconds > 2

          caution(
            'avoid_area',
            seconds > LONG_IN_AVOID_AREA_S ? 'caution' : 'note',
            "#{seconds.round} s of the line lie inside the height-velocity area, as the end of any approach to a " \
              'hover does: no lingering there. With low power in the descent an engine failure is easier met than ' \
              'the diagram ' \
              'says, at hover power it is not.'
          )
        end
      end
    end
  end
end
