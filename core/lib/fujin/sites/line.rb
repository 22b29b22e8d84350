# frozen_string_literal: true

module Fujin
  module Sites
    # A line flown: `points` in the direction of flight. An approach ends at its spot, a departure begins there, an
    # escape leaves the approach `leaves`.
    Line =
      Value.define(:id, :kind, :points, :spot, :leaves) do
        def legs = points.each_cons(2).to_a
        def courses_deg = legs.map { |from, to| Plane.course_deg(from, to) }
        # Course at the spot.
        def course_deg = kind == 'approach' ? courses_deg.last : courses_deg.first
        def length_m = legs.sum { |from, to| (to - from).abs }
      end
  end
end
