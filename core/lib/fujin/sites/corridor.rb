# frozen_string_literal: true

module Fujin
  module Sites
    # The strip of ground under a line: as wide as the aircraft's room from the spot to where the line leaves the usable
    # ground, then widening by a tenth of the way; a disc of the same width at a bend.
    class Corridor
      WIDENS = 0.1
      # Where a wire's end was not seen to hang on something it goes on, m.
      WIRE_ON_M = 500.0
      CIRCLE = 32
      ACROSS = 9
      # Something of an obstacle under the line: from where to where along it, metres from the spot.
      Hit = Value.define(:obstacle, :from_m, :to_m)
      Leg = Value.define(:start, :direction, :from_m, :to_m)
      private_constant :Leg

      # `leaves_m` where it leaves the usable ground, metres from the spot.
      attr_reader :legs, :half_width_m, :leaves_m

      # @param points [Array<Complex>] from the spot outward
      # @param ring [Array<Complex>] outside of the usable ground
      # @param reach_m [Float] how far it goes on, straight beyond the last point
      def initialize(points, ring:, half_width_m:, reach_m:)
        @half_width_m = half_width_m
        @legs = lay(points, reach_m)
        @leaves_m = leaves(ring)
      end

      def reach_m = legs.last.to_m

      # Half its width so far from the spot, metres.
      def half_m(distance_m) = half_width_m + (WIDENS * [distance_m - @leaves_m, 0.0].max)

      # Where the line is, so far from the spot.
      def at(distance_m)
        leg = legs.find { |one| distance_m <= one.to_m } || legs.last
        leg.start + (leg.direction * (distance_m - leg.from_m))
      end

      # Course outward, degrees true.
      def course_deg(distance_m) =
        ((legs.find { |one| distance_m <= one.to_m } || legs.last).direction.arg / Quantities::DEG) % 360.0

      # What of the obstacles lies in it, from the room's edge outward.
      # @param grown [Float] share of the obstacle's uncertainty of place by which it is taken nearer: -1, 0 or 1
      # @return [Array<Hit>]
      def hits(obstacles, grown: 0.0)
        obstacles.select(&:stands?).flat_map do |one|
          by = grown * one.place_m
          legs.flat_map { |leg| on_leg(one, leg, by) }.concat(at_bends(one, by))
        end
      end

      private

      def lay(points, reach_m)
        at = 0.0
        all = points.each_cons(2).map do |from, to|
          length = (to - from).abs
          leg = Leg.new(start: from, direction: (to - from) / length, from_m: at, to_m: at + length)
          at += length
          leg
        end
        return all if all.last.to_m >= reach_m

        [*all[0..-2], all.last.with(to_m: reach_m)]
      end

      # Distance along the line at which it first leaves the ground.
      def leaves(ring)
        legs.each do |leg|
          far = leg.start + (leg.direction * (leg.to_m - leg.from_m))
          shares = Plane.edges(ring).filter_map { |a, b| Plane.crossing(leg.start, far, a, b) }.select(&:positive?)
          return leg.from_m + (shares.min * (leg.to_m - leg.from_m)) if shares.any?
        end
        legs.last.to_m
      end

      # Pieces of a leg with straight sides: up to where the line leaves the ground, and beyond.
      def pieces(leg, grow)
        cuts = [[leg.from_m, half_width_m].max, @leaves_m, leg.to_m].grep(leg.from_m..leg.to_m)
        cuts.unshift([leg.from_m, half_width_m].max) if cuts.first != [leg.from_m, half_width_m].max
        cuts.uniq.each_cons(2).select { |a, b| b - a > 1e-9 }.map { |a, b| [a, b, planes(a, b, grow)] }
      end

      # Sides of a piece in metres along the leg and right of it.
      def planes(near_m, far_m, grow)
        near = half_m(near_m) + grow
        slope = (half_m(far_m) + grow - near) / (far_m - near_m)
        right = Complex(-slope, 1.0)
        left = Complex(-slope, -1.0)
        [[Complex(-1, 0), -near_m], [Complex(1, 0), far_m],
         *[right, left].map { |normal| [normal, near - (slope * near_m)] }]
      end

      def on_leg(obstacle, leg, by)
        local = ->(point) { (leg.direction.conj * (point - leg.start)) + leg.from_m }
        edges = outline(obstacle).map { |a, b| [local.call(a), local.call(b)] }
        # Taken nearer to the spot, and the corridor wider, by the uncertainty of its place.
        edges = edges.map { |a, b| [a - by, b - by] }
        rings = obstacle.line ? nil : closed(obstacle).map { |ring| ring.map { |point| local.call(point) - by } }
        pieces(leg, by).filter_map do |near, far, planes|
          reached = edges.flat_map { |a, b| along(a, b, planes) } + ends(rings, near, far, by)
          Hit.new(obstacle: obstacle, from_m: reached.min, to_m: reached.max) if reached.any?
        end
      end

      def along(from, to, planes)
        shares = Plane.clipped(from, to, planes) or return []
        shares.map { |share| (from + ((to - from) * share)).real }
      end

      # The ends of a piece that lie in an area.
      def ends(rings, near, far, grow)
        return [] unless rings

        [near, far].select do |distance|
          half = half_m(distance) + grow
          (0...ACROSS).any? do |i|
            Plane.inside?(rings, Complex(distance, half * (((2.0 * i) / (ACROSS - 1)) - 1.0)))
          end
        end
      end

      def at_bends(obstacle, by)
        legs.each_cons(2).filter_map do |_, leg|
          near = obstacle.line ? wire_aware_distance(obstacle, leg.start) : obstacle.distance_m(leg.start)
          next unless near <= half_m(leg.from_m) + by && leg.from_m > half_width_m

          nearest = leg.from_m - by
          Hit.new(obstacle: obstacle, from_m: nearest, to_m: [nearest, leg.from_m].max)
        end
      end

      def wire_aware_distance(obstacle, point) = outline(obstacle).map { |a, b| Plane.to_segment(point, a, b) }.min

      # What bounds an obstacle; a wire with the stretch beyond an end that nobody saw.
      def outline(obstacle)
        return closed(obstacle).flat_map { |ring| Plane.edges(ring) } unless obstacle.line

        points = obstacle.line
        return points.each_cons(2).to_a unless obstacle.wire?

        ends = obstacle.ends || []
        first = points[0] + beyond(points[1], points[0]) if ends[0] != 'seen'
        last = points[-1] + beyond(points[-2], points[-1]) if ends[1] != 'seen'
        [first, *points, last].compact.each_cons(2).to_a
      end

      def beyond(from, to) = (to - from) / (to - from).abs * WIRE_ON_M

      def closed(obstacle)
        return obstacle.rings unless obstacle.point?

        middle = obstacle.rings[0][0]
        [(0...CIRCLE).map { |i| middle + Complex.polar(obstacle.radius_m, (2.0 * Math::PI * i / CIRCLE) + turn) }]
      end

      # A corner of the circle that stands for a crown points back along the first leg, where the exact edge is.
      def turn = legs.first.direction.arg
    end
  end
end
