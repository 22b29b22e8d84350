# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # The turn or turns of an autorotation: begun how long after the power went, banked how steeply, what it did to
      # the rotor, the height it took and left. For takers that include Measuring.
      module TurnMeasures
        NEAR_KT = 5.0
        SLOWED_S = 6.0

        private

        def take_turn
          turn = attempt.phase('turn')
          from = turn.start_s
          to = turn.end_s
          put('turn_delay_s', 'turn', [from - closure, 0.0].max)
          put('turn_bank_max_deg', 'turn', over(:roll, from, to) { |v| v.map(&:abs).max })
          put(
            'turn_ias_max_off_kt',
            'turn',
            over(:ias, on_speed_s(from, to), to) { |v| v.map { |kt| (kt - context.glide_speed_kt).abs }.max }
          )
          put('turn_rotor_rpm_max_pct', 'turn', over(:nr, from, to, &:max))
          put('turn_height_ft', 'turn', height_lost(from, to))
          put('roll_out_height_ft', 'turn', signals.at(:agl, to) - zero)
        end

        # A turn that is part of the entry begins faster than the glide: the speed counts once it has been reached, or
        # should have been.
        def on_speed_s(from, to)
          return from unless signals.signal?(:ias)

          last = [from + SLOWED_S, to].min
          reached = range_of(from, last).find { |i| (signals[:ias][i] - context.glide_speed_kt).abs <= NEAR_KT }
          reached ? signals.time(reached) : last
        end
      end
    end
  end
end
