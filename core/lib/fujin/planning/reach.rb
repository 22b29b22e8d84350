# frozen_string_literal: true

module Fujin
  module Planning
    # Where the wheels or skids can be put from the entry point, by one option: farthest points over the ground,
    # in feet along and across from the spot.
    Reach = Value.define(:option, :speed_kt, :points) do
      # A planned entry lies at the very edge of its own area: so near to it a spot is reached too, feet. Chosen.
      self::EDGE_FT = 100.0

      # Is the spot, where along and across are nothing, within it or at its edge?
      def to_the_spot? = around_spot? || sides.any? { |from, to| from_spot_ft(from, to) <= self.class::EDGE_FT }

      private

      def sides = [*points, points.first].each_cons(2)

      # A ray from the spot crosses the line round it an odd number of times.
      def around_spot? = sides.count { |from, to| crosses?(from, to) }.odd?

      def crosses?(from, to)
        (a1, c1), (a2, c2) = from, to
        (c1.positive? ^ c2.positive?) && (a1 + ((a2 - a1) * -c1 / (c2 - c1))).positive?
      end

      # From the spot to the nearest point between two.
      def from_spot_ft(from, to)
        (a1, c1), (a2, c2) = from, to
        long = ((a2 - a1)**2) + ((c2 - c1)**2)
        share = long.zero? ? 0.0 : (-((a1 * (a2 - a1)) + (c1 * (c2 - c1))) / long).clamp(0.0, 1.0)
        Math.hypot(a1 + (share * (a2 - a1)), c1 + (share * (c2 - c1)))
      end
    end
  end
end
