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
            Text.of('At %{least_margin_at_kt} kt the sink is %{margin} ft/min over the limit: shallower, or keep the ' \
              'speed longer.',
                    least_margin_at_kt: value('least_margin_at_kt').round, margin: (-margin).ceil)
          )
        end

        def ring_caution
          margin = value('vortex_ring_margin_fpm')
          return nil unless margin && margin < RING_MARGIN_FPM

          caution(
            'vortex_ring',
            margin.negative? ? 'limit' : 'caution',
            if margin.negative?
              Text.of('The line is %{margin} ft/min inside vortex ring: less sink before less speed.',
                      margin: (-margin).ceil)
            else
              Text.of('%{margin} ft/min more sink would be vortex ring: less sink before less speed.',
                      margin: margin.floor)
            end
          )
        end

        def escape
          way =
            if @house['vortex_escape'] == 'sideways'
              Text.of('sideways: cyclic to the %{side}, power, %{power_on_pedal} pedal',
                      side: @type.clockwise? ? 'left' : 'right', power_on_pedal: @type.power_on_pedal)
            else
              'forward with cyclic, then power'
            end
          caution(
            'vortex_escape',
            'note',
            Text.of('Sink grows, collective does nothing, it shakes: out %{way}. Never collective alone.', way: way)
          )
        end

        def avoid_area
          seconds = value('avoid_area_s')
          return nil unless seconds > 2

          caution(
            'avoid_area',
            seconds > LONG_IN_AVOID_AREA_S ? 'caution' : 'note',
            Text.of('%{seconds} s of the line lie inside the height-velocity area, as the end of any approach to a ' \
              'hover does: no lingering there. With low power in the descent an engine failure is easier met ' \
              'than the diagram says, at hover power it is not.',
                    seconds: seconds.round)
          )
        end
      end
    end
  end
end
