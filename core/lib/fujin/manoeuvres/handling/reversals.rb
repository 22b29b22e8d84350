# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Hands that go back on themselves. For measures of what is flown slowly, that include Grading::Measuring.
      module Reversals
        # A control reverses when it comes back by this share of its travel, percent.
        REVERSAL_PCT = 2.0

        private

        # How often the hands went back on themselves: collective and pedals together, the recorder's tremble smoothed
        # off.
        def reversals(from, to)
          minutes = (to - from) / 60.0
          %i[collective pedal]
            .select { |name| signals.signal?(name) }
            .sum { |name| turns_back(smoothed(name, from, to)) } / minutes
        end

        def smoothed(name, from, to)
          Recordings::Smoothing.mean(
            signals[name][signals.index(from)..signals.index(to)],
            signals.samples(0.3)
          ).reject(&:nan?)
        end

        def turns_back(values)
          count = 0
          direction = 0
          extreme = values.first
          values.each do |value|
            move = value - extreme
            if direction.zero?
              next if move.abs <= REVERSAL_PCT

              direction = move <=> 0
              extreme = value
            elsif (move * direction).positive?
              extreme = value
            elsif move.abs > REVERSAL_PCT
              count += 1
              direction = -direction
              extreme = value
            end
          end
          count
        end
      end
    end
  end
end
