# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # How fast the nose went round, for measurers.
      module TurnRate
        private

        def take_turn_rate(phase, from, to)
          put('turn_rate_mean_deg_s', phase, over(:heading, from, to) { |v| (v.last - v.first).abs / (to - from) })
          put('turn_rate_max_deg_s', phase, -> { turn_rate_max(from, to) })
        end

        def turn_rate_max(from, to)
          rate = Recordings::Smoothing.rate(smoothed(:heading, from, to), signals.step_s, signals.samples(0.5))
          rate.map(&:abs).reject(&:nan?).max
        end
      end
    end
  end
end
