# frozen_string_literal: true

module Fujin
  module Sites
    # Plane geometry on points north + east·i, metres: the argument of a difference is its true course, and a positive
    # cross product lies to the right.
    module Plane
      module_function

      def along(direction, vector) = (direction.conj * vector).real
      def right_of(direction, vector) = (direction.conj * vector).imaginary
      # A step of one metre on a true course.
      def step(course_deg) = Complex.polar(1.0, course_deg * Quantities::DEG)
      def course_deg(from, to) = ((to - from).arg / Quantities::DEG) % 360.0
      def edges(ring) = ring.each_with_index.map { |point, i| [point, ring[(i + 1) % ring.size]] }

      # Twice the area that a ring goes round, + clockwise seen from above.
      def doubled_area(ring) = edges(ring).sum { |a, b| right_of(a, b) }

      # Middle of the area in a ring (P. Bourke, "Calculating the area and centroid of a polygon", 1988).
      def centroid(ring)
        area = doubled_area(ring)
        edges(ring).sum(Complex(0, 0)) { |a, b| (a + b) * right_of(a, b) } / (3.0 * area)
      end

      # Is a point in what the rings bound, holes left out (even-odd rule)?
      def inside?(rings, point)
        rings.sum { |ring| crossed_eastward(ring, point) }.odd?
      end

      # Edges of a ring that a ray east from the point crosses.
      def crossed_eastward(ring, point)
        before = ring.last
        ring.count do |corner|
          crossed = crossed_northwards?(before, corner, point)
          before = corner
          crossed
        end
      end

      # A ray east from the point crosses this edge.
      def crossed_northwards?(one, other, point)
        return false if (one.real > point.real) == (other.real > point.real)

        east = one.imaginary +
          ((other.imaginary - one.imaginary) * (point.real - one.real) / (other.real - one.real))
        east > point.imaginary
      end

      # Least distance from a point to a stretch. In plain numbers: a site asks a hundred thousand times.
      def to_segment(point, from, to)
        north = to.real - from.real
        east = to.imaginary - from.imaginary
        off_north = point.real - from.real
        off_east = point.imaginary - from.imaginary
        length2 = (north * north) + (east * east)
        return Math.hypot(off_north, off_east) if length2.zero?

        share = (((north * off_north) + (east * off_east)) / length2).clamp(0.0, 1.0)
        Math.hypot(off_north - (share * north), off_east - (share * east))
      end

      # Do two stretches cross or touch?
      def meet?(from, to, other_from, other_to)
        return false if apart?(from.real, to.real, other_from.real, other_to.real) ||
          apart?(from.imaginary, to.imaginary, other_from.imaginary, other_to.imaginary)

        one = sides(from, to, other_from, other_to)
        two = sides(other_from, other_to, from, to)
        return true if one.reduce(:*).negative? && two.reduce(:*).negative?

        [[other_from, from, to], [other_to, from, to], [from, other_from, other_to], [to, other_from, other_to]]
          .any? { |point, a, b| to_segment(point, a, b) < TOUCH_M }
      end
      TOUCH_M = 1e-6

      # Two spans of numbers that do not come near one another.
      def apart?(from, to, other_from, other_to)
        (from < to ? to : from) + TOUCH_M < (other_from < other_to ? other_from : other_to) ||
          (other_from < other_to ? other_to : other_from) + TOUCH_M < (from < to ? from : to)
      end

      def sides(from, to, *points) = points.map { |point| right_of(to - from, point - from) }

      # Least distance between two stretches.
      def between(from, to, other_from, other_to)
        return 0.0 if meet?(from, to, other_from, other_to)

        [to_segment(other_from, from, to), to_segment(other_to, from, to),
         to_segment(from, other_from, other_to), to_segment(to, other_from, other_to)].min
      end

      # Share of the first stretch at which the second crosses it, nil where it does not.
      def crossing(from, to, other_from, other_to)
        way = to - from
        other = other_to - other_from
        across = right_of(way, other)
        return nil if across.abs < 1e-12

        share = right_of(other_from - from, other) / across
        share if share.between?(0.0, 1.0) && (right_of(other_from - from, way) / across).between?(0.0, 1.0)
      end

      # The part of a stretch in a convex area: shares of its length, nil if none (J. D. Foley and others, "Computer
      # Graphics: Principles and Practice", 1990, section 3.12: Cyrus and Beck).
      # @param planes [Array<Array(Complex, Float)>] outward normal and offset of each side
      # @return [Array(Float, Float), nil]
      def clipped(from, to, planes)
        low = 0.0
        high = 1.0
        planes.each do |normal, offset|
          out_from = along(normal, from) - offset
          out_to = along(normal, to) - offset
          return nil if out_from.positive? && out_to.positive?
          next unless out_from.positive? || out_to.positive?

          share = out_from / (out_from - out_to)
          out_from.positive? ? low = [low, share].max : high = [high, share].min
        end
        low <= high ? [low, high] : nil
      end
    end
  end
end
