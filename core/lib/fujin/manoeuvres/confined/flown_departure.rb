# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # One departure line flown today, in the ways there are: straight up, with a run, with a run from the far end.
      class FlownDeparture
        include FlownLine

        Q = Quantities
        FT = Q::FT
        REACH_M = 950.0
        private_constant :REACH_M
        # Height of a run, ft, and the longest that is looked at, m.
        RUN_FT = 3.5
        LONGEST_RUN_M = 600.0

        # @return [Hash{String => DepartureWay}]
        def ways
          @ways ||= { 'towering' => Towering.new(self), 'with_a_run' => WithARun.new(self),
                      'backtrack' => WithARun.new(self, backtrack: true) }
        end

        # The best of them: possible before marginal.
        def verdict = %w[possible marginal].find { |one| ways.values.any? { |way| way.verdict == one } } || 'not'

        # The way that verdict rests on.
        def best = ways.values.find { |way| way.verdict == verdict }

        # Share of the best way's path from which ground is reached if the engine quits.
        def escape = @escape ||= escape_found

        # The strip under the line from a point of it on: so many metres after the spot, before it when negative.
        def sight_from(along_m)
          @sights ||= {}
          @sights[along_m.round(1)] ||=
            sight_along([spot.at + (step * along_m), *line.points.drop(1)], reach_m: reach_m, end_m: 0.0)
        end

        # So far out obstacles are looked for and paths are flown, metres.
        def reach_m = [line.length_m, REACH_M].max

        def sight = sight_from(0.0)
        def step = Sites::Plane.step(course_deg)

        # The wind on the nose, by metres along the line from the spot and height.
        def headwind_along
          @headwind_along ||= day.headwind_along(spot.ground_m) do |along_m|
            if along_m.negative?
              [spot.at + (step * along_m), course_deg]
            else
              [corridor.at(along_m), corridor.course_deg(along_m)]
            end
          end
        end

        # Room for disc and tail at a place of the ground, on the departure's heading.
        def room_at?(at, skids_m)
          room = Sites::Room.new(day.site.obstacles, day.clearances, at: at, ground_m: day.site.ground_m(at),
                                                                     skids_m: skids_m)
          room.main_enough? && room.tail_enough?(course_deg)
        end

        # Ground to use from the spot along a direction: to the outline, a hole or what the disc would meet, less the
        # disc, m.
        def usable_m(direction)
          far = spot.at + (direction * LONGEST_RUN_M)
          edges = day.site.rings.flat_map { |ring| Sites::Plane.edges(ring) }
          share = edges.filter_map { |a, b| Sites::Plane.crossing(spot.at, far, a, b) }.min || 0.0
          outline = share * LONGEST_RUN_M
          [outline, *in_the_way(direction)].min - day.clearances.radius_m
        end

        private

        def escape_found
          path = best&.path
          return no_number('pct', day.wind ? 'limit' : 'no_wind') if path.nil? || path.empty?

          every = path.each_with_object([]) do |point, kept|
            kept << point if kept.empty? || (point.along_m - kept.last.along_m).abs >= FlownApproach::EVERY_FT * FT ||
              (point.height_m - kept.last.height_m).abs >= FlownApproach::EVERY_FT * FT
          end
          found = every.map { |point| failure(point) }
          number(100.0 * found.count('reached') / found.size, 'pct')
        rescue OutsideModel => e
          no_number('pct', e.message)
        end

        # Where the disc, at the height of a run, would meet something: metres along the way.
        def in_the_way(direction)
          high = (RUN_FT * FT) + day.clearances.hub_m - Sites::Room::DISC_DROP_M
          tall = day.site.standing.select(&:stands?).select do |one|
            one.top.nil? || one.top.high - spot.ground_m > high
          end
          tall.filter_map do |one|
            (0.0..LONGEST_RUN_M).step(2.0).find do |along|
              one.distance_m(spot.at + (direction * along)) - one.place_m <= day.clearances.radius_m
            end
          end
        end

        def failure(point)
          place = point.along_m.negative? ? spot.at + (step * point.along_m) : corridor.at(point.along_m)
          day.engine_failure.from(place, height_m: point.height_m, ias_kt: point.ias_kt, course_deg: course_deg)
        end
      end
    end
  end
end
