# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Measures of a turn along a line: those of the taxi, and how far and how evenly the nose went round.
      class TurnAlongALineMeasures < HoverTaxiMeasures
        include TurnRate

        private

        def take_taxi(from, to)
          super
          put('line_turned_deg', 'taxi', over(:heading, from, to) { |v| (v.last - v.first).abs })
          take_turn_rate('taxi', from, to)
        end
      end
    end
  end
end
