# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # How far something went from where it stood, for measurers.
      module Departures
        private

        # Largest departure from where it stood at the start, either way.
        def farthest(name, from, to)
          start = signals.signal?(name) ? signals.at(name, from) : nil
          over(name, from, to) { |values| values.map { |v| (v - start).abs }.max }
        end
      end
    end
  end
end
