# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # The last point from which a go-around still clears everything, flown by the model, and the gate that is taught:
      # the farthest out of that with two seconds in hand, the highest obstacle of the go-around with 20 ft, and
      # 20 kt of airspeed.
      class BreakOff
        include Planning::Numbers

        Q = Quantities
        FT = Q::FT
        # On the plan still, before anything is done, s; and in hand before the last possible point.
        LATE_S = 1.0
        HAND_S = 2.0
        OVER_FT = 20.0
        LEAST_KT = 20.0
        # Searched from outside at every so many feet of height, then between the last two.
        COARSE_FT = 20.0
        FINE_FT = 5.0
        ABOUT_FT = 50.0
        CHECK_M = 4.0
        # Height to spare over all there is with which a go-around is not flown for each point of the search, m: some
        # four times what one loses at the sink of a steep approach.
        WELL_OVER_M = 30.0

        # @param approach [FlownApproach]
        def initialize(approach)
          @approach = approach
          @day = approach.day
        end

        # @return [Float, 'anywhere', 'nowhere'] metres before the spot
        # @raise [OutsideModel]
        def last_m
          @last_m ||= searched
        end

        # Where none of its rules decides, as in a wind over 20 kt with nothing ahead, the spot itself.
        # @return [Float, 'nowhere'] metres before the spot
        def gate_m
          return 'nowhere' if last_m == 'nowhere'

          farthest = [two_seconds_before, over_the_highest, with_airspeed].compact.max || 0.0
          [farthest, @approach.start_m].min
        end

        # From nowhere on the line does a go-around clear what is ahead. Of a line without a plan it is not said.
        def nowhere?
          last_m == 'nowhere'
        rescue OutsideModel
          false
        end

        # The go-around from a point, for pictures: along the line from there, heights over the spot's ground.
        # @return [Array<ClimbAway::Point>]
        def away_from(distance_m) = (@away ||= {})[distance_m] ||= flown_from(distance_m)

        # Does a go-around that is decided so far before the spot clear everything?
        def clears?(distance_m)
          points = away_from(distance_m)
          points.all? { |point| point.height_m.positive? } && lowest_over(points).all? { |spare, _| spare >= 0.0 }
        rescue OutsideModel
          false
        end

        private

        def flown_from(distance_m)
          plan_m = [distance_m - (@approach.at(distance_m, :groundspeed_kt) * Q::KT * LATE_S), 0.0].max
          state = ClimbAway::State.new(along_m: -plan_m, height_m: @approach.plan_height_m(plan_m),
                                       ias_kt: @approach.at(plan_m, :ias_kt),
                                       sink_m_s: @approach.at(plan_m, :sink_fpm) * Q::FPM)
          climb = ClimbAway.new(@day.conditions, speed_kt: speed_kt, headwind: headwind)
          climb.fly(state) { |point| clear_of_all?(point) }
        end

        def speed_kt = @speed_kt ||= @day.steepest_climb_kt(headwind.call(0.0, 1000.0))

        # Along the way of the go-around.
        def headwind = @headwind ||= @day.headwind_along(@approach.spot.ground_m) { |along_m| way_at(along_m) }

        # Before the spot (negative) on the approach, then straight on or out along the escape.
        # @return [Array(Complex, Float)] place and course
        def way_at(along_m)
          beyond = @approach.beyond
          past = along_m + beyond.from_m
          return [beyond.corridor.at(past), beyond.corridor.course_deg(past)] unless past.negative?

          [@approach.corridor.at(-along_m), (@approach.corridor.course_deg(-along_m) + 180.0) % 360.0]
        end

        # Over everything that stands on the way, and climbing.
        def clear_of_all?(point)
          point.climb_m_s > 0.5 && (point.height_m > ceiling_m || point.along_m > FlownApproach::BEYOND_M)
        end

        def ceiling_m
          @ceiling_m ||= ([@approach.sight, @approach.beyond.sight].filter_map(&:highest_m).max || 0.0) +
            @day.clearances.wire_m + 1.0
        end

        # What is to spare over each obstacle of the way, metres.
        # @return [Array<Array(Float, Sites::Corridor::Hit)>]
        def lowest_over(points)
          table = points.map { |point| [point.along_m, point.height_m] }
          last = points.last
          before = hits_before.map { |hit, from, to| [table, hit, -to, -from, :before] }
          after = hits_beyond.map { |hit, from, to| [table, hit, from, to, :beyond] }
          (before + after).filter_map { |args| spare(*args, last) }
        end

        def spare(table, hit, from, to, side, last)
          low = [from, table.first[0]].max
          return nil if low > to

          sight = side == :before ? @approach.sight : @approach.beyond.sight
          top = sight.top_m(hit.obstacle)
          stations(low, to).map do |along|
            keep = side == :before ? @day.clearances.over_m(hit.obstacle, -along) : OVER_FT * FT
            # Flown on beyond the last point, it only climbs.
            height = along > last.along_m ? last.height_m : Q.interpolate(table, along)
            [height - top - keep, hit]
          end.min_by(&:first)
        end

        def stations(low, high) = [*(low..high).step(CHECK_M), high].uniq

        def hits_before
          @hits_before ||= @approach.sight.hits_for(:high).map do |hit|
            [hit, [hit.from_m, @day.clearances.half_width_m].max, hit.to_m]
          end
        end

        # Beyond the spot, or beyond where the escape leaves, as distances along the whole way.
        def hits_beyond
          from = @approach.beyond.from_m
          @hits_beyond ||= @approach.beyond.sight.hits_for(:high).map do |hit|
            [hit, hit.from_m - from, hit.to_m - from]
          end
        end

        def searched
          heights = distances
          failed = (first_flown(heights)...heights.size).find { |i| !clears?(heights[i]) }
          return 'anywhere' unless failed
          return 'nowhere' if failed.zero?

          finer(heights[failed - 1], heights[failed])
        end

        # Of the points well over all that stands there the lowest is flown for all: those above it have its speed, and
        # more height. Where that one does not clear, each is flown.
        def first_flown(heights)
          over = heights.take_while { |distance| @approach.plan_height_m(distance) > ceiling_m + WELL_OVER_M }.size
          over.positive? && clears?(heights[over - 1]) ? over : 0
        end

        # From the start in, by height.
        def distances
          start = @approach.plan.path.first.height_ft
          least = @approach.plan.path.last.height_ft
          found = start.step(least, -COARSE_FT).map { |feet| distance_of(feet) }
          [*found, 0.0]
        end

        # Where the plan passes a height on its way down, metres before the spot.
        def distance_of(height_ft)
          row, after = @approach.plan.path.each_cons(2).find { |_, b| b.height_ft <= height_ft } || [nil, nil]
          return 0.0 unless row

          share = (row.height_ft - height_ft) / [row.height_ft - after.height_ft, 1e-9].max
          -(row.along_ft + (share * (after.along_ft - row.along_ft))) * FT
        end

        def finer(good, bad)
          while (@approach.plan_height_m(good) - @approach.plan_height_m(bad)) / FT > FINE_FT || good - bad > 15.0
            middle = (good + bad) / 2.0
            clears?(middle) ? good = middle : bad = middle
          end
          good
        end

        def two_seconds_before
          return nil if last_m == 'anywhere'

          last_m + (@approach.at(last_m, :groundspeed_kt) * Q::KT * HAND_S)
        end

        def over_the_highest
          tops = [@approach.sight, @approach.beyond.sight].filter_map(&:highest_m)
          tops.empty? ? nil : distance_of((tops.max / FT) + OVER_FT)
        end

        # Where the plan's airspeed falls to 20 kt.
        def with_airspeed
          row = @approach.plan.path.find { |point| point.ias_kt <= LEAST_KT }
          row ? -row.along_ft * FT : nil
        end
      end
    end
  end
end
