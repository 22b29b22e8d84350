# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # What could be reached from where the power was really taken off: each option's area as planned from that height
      # on that track, laid at that place. It supposes the house's entry speed; slower reaches less.
      class Reachable
        # A planned entry lies at the very edge of its own area: so near to it a spot is reached too. Chosen.
        EDGE_FT = 100.0

        # @param plan [Planning::Plan] of the usual glide, from that height, its course the track that was flown
        # @param along_ft [Float], @param across_ft [Float] the place, from the spot in the final course's frame
        # @param course_deg [Float] final course
        def initialize(plan, along_ft:, across_ft:, course_deg:)
          @plan = plan
          @place = [along_ft, across_ft]
          @turned = (plan.course_deg - course_deg) * Quantities::DEG
          @planned_ft = -plan.value('entry_distance_ft')
        end

        # @return [Array<Planning::Reach>] in the final course's frame
        def reaches
          @reaches ||=
            @plan.reaches.map { |reach| reach.with(points: reach.points.map { |point| laid(*point) }.freeze) }.freeze
        end

        # @return [Array<String>] options whose area the spot lies in, or at the edge of
        def to_the_spot = reaches.select { |reach| inside?(reach.points) || edge?(reach.points) }.map(&:option)

        private

        def laid(along_ft, across_ft)
          ahead = along_ft - @planned_ft
          cos = Math.cos(@turned)
          sin = Math.sin(@turned)
          [@place[0] + (ahead * cos) - (across_ft * sin), @place[1] + (ahead * sin) + (across_ft * cos)]
        end

        # Is the spot, the frame's origin, inside the closed line? A ray from it crosses the line an odd number of
        # times.
        def inside?(points) = sides(points).count { |from, to| crosses?(from, to) }.odd?
        def sides(points) = [*points, points.first].each_cons(2)
        def edge?(points) = sides(points).any? { |from, to| distance_ft(from, to) <= EDGE_FT }

        # From the spot to the nearest point between two.
        def distance_ft(from, to)
          (a1, c1), (a2, c2) = from, to
          long = ((a2 - a1)**2) + ((c2 - c1)**2)
          share = long.zero? ? 0.0 : (-((a1 * (a2 - a1)) + (c1 * (c2 - c1))) / long).clamp(0.0, 1.0)
          Math.hypot(a1 + (share * (a2 - a1)), c1 + (share * (c2 - c1)))
        end

        def crosses?(from, to)
          (a1, c1), (a2, c2) = from, to
          (c1.positive? ^ c2.positive?) && (a1 + ((a2 - a1) * -c1 / (c2 - c1))).positive?
        end
      end
    end
  end
end
