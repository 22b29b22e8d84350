# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # What a line into a site and one out of it have alike.
      module FlownLine
        include Planning::Numbers

        attr_reader :line, :day, :spot

        # @param line [Sites::Line], @param day [Day]
        def initialize(line, day)
          @line = line
          @day = day
          @spot = day.site.spot(line.spot)
        end

        def id = line.id
        def course_deg = line.course_deg
        def headwind = wind_number(day.headwind_kt(course_deg))
        def crosswind = wind_number(day.crosswind_kt(course_deg))
        def corridor = sight.corridor

        private

        def wind_number(value) = value ? number(value, 'kt') : no_number('kt', 'no_wind')

        # What stands under a line, seen from its spot's ground.
        # @param points [Array<Complex>] from the spot outward
        # @param end_m [Float] height at which it ends or begins, over the spot's ground
        def sight_along(points, reach_m:, end_m:)
          laid = Sites::Corridor.new(points, ring: day.site.rings[0], half_width_m: day.clearances.half_width_m,
                                             reach_m: reach_m)
          Sites::SightLine.new(laid, day.site.obstacles, day.clearances, ground_m: spot.ground_m, end_m: end_m,
                                                                         relief: day.site.relief)
        end
      end
    end
  end
end
