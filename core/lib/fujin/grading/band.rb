# frozen_string_literal: true

module Fujin
  module Grading
    # The limits that one measure is held to. Bounds are nil where that side is free. `polished`, `in` and `marginal`
    # are [low, high] pairs, nested; outside `worst_best` a value is marginal at best.
    Band =
      Value.define(
        :target, :polished, :in, :marginal, :worst_best, :critical_low, :critical_high,
        defaults: { worst_best: nil, critical_low: nil, critical_high: nil }
      ) do
        # @return [String] one of Standard::VERDICTS
        def verdict(value)
          found =
            { 'polished' => polished, 'in' => self.in, 'marginal' => marginal }.find do |_, range|
              inside?(value, range)
            end
              &.first || 'out'
          worst_best && !inside?(value, worst_best) && %w[polished in].include?(found) ? 'marginal' : found
        end

        # The best verdict of anything between two values.
        def best_verdict(low, high)
          nearest = [low, high, *[target, *polished].compact.grep(low..high)]
          nearest.map { |v| verdict(v) }.min_by { |v| Standard::VERDICTS.index(v) }
        end

        def critical?(value)
          (critical_low && value < critical_low) || (critical_high && value > critical_high) || false
        end

        # Do polished, in and marginal lie in one another?
        def nested? =
          [polished, self.in, marginal].each_cons(2).all? do |inner, outer|
            (outer[0].nil? || (inner[0] && outer[0] <= inner[0] + 1e-9)) &&
              (outer[1].nil? || (inner[1] && outer[1] >= inner[1] - 1e-9))
          end

        # Does something that is in lie beyond what is critical?
        def critical_inside? = self.in.compact.any? { |edge| critical?(edge) }

        # All that the standard lets pass: the width of the band, or from polished to marginal where one side is free.
        # @return [Float, nil]
        def room
          low, high = self.in
          return high - low if low && high

          [polished, marginal].transpose.filter_map { |a, b| (b - a).abs if a && b }.max
        end

        private

        # A hair of tolerance, so that a value on the limit is inside it.
        def inside?(value, range)
          low, high = range
          (low.nil? || value >= low - 1e-9) && (high.nil? || value <= high + 1e-9)
        end
      end
  end
end
