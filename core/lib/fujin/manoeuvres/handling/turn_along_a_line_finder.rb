# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # A hover taxi on which the nose went round by so much that it was meant.
      class TurnAlongALineFinder < HoverTaxiFinder
        LEAST_TURN_DEG = 90.0

        private

        def exercise = 'turn_along_a_line'
        def recorded? = super && signals.signal?(:heading)

        def build(first, last)
          headings = (first..last).map { |i| signals[:heading][i] }.reject(&:nan?)
          return nil if headings.empty? || (headings.last - headings.first).abs < LEAST_TURN_DEG

          super
        end
      end
    end
  end
end
