# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # One approach line flown today: the angle it needs, the plan that fits, what is cleared, where to break off,
      # which ground an engine failure leaves.
      class FlownApproach
        include FlownLine

        Q = Quantities
        FT = Q::FT
        # Obstacles are looked for so far back along the line, and so far on beyond the spot, m.
        BACK_M = 950.0
        BEYOND_M = 1500.0
        # The tailwind that is let pass, kt: none when steep or with little power.
        TAILWIND_KT = 5.0
        LITTLE_PCT = 5.0
        # Bends: a leg's least length, m, the most it turns, degrees, the bank of the turn and what follows it.
        LEG_M = 60.0
        BEND_DEG = 60.0
        BANK_DEG = 15.0
        STRAIGHT_M = 50.0
        EVERY_FT = 50.0
        # A hover over the trees and down: over the highest top, ft; power left, percent.
        OVER_TREES_FT = 20.0
        HIGH_HOVER_PCT = 10.0

        def sight
          @sight ||= sight_along(line.points.reverse, reach_m: [line.length_m, BACK_M].max, end_m: day.skids_m(spot))
        end

        def angle_needed = sight.angle
        def decides = sight.decides

        # 'normal' up to the house's normal angle, 'steep' above it; nil over the limit or where the angle is not known.
        def kind
          return nil unless angle_deg.value

          angle_deg.value > day.house['normal_angle_deg'] ? 'steep' : 'normal'
        end

        # The angle to fly: judged at the high end of what is needed.
        def angle_deg
          @angle_deg ||= begin
            needed = angle_needed
            if needed.value.nil? && needed.reason != 'no_obstacle' then no_number('deg', needed.reason)
            else
              flown_angle(needed.high || 0.0)
            end
          end
        end

        # @return [Planning::Plan]
        # @raise [OutsideModel] with the reason there is none
        def plan
          @plan ||= begin
            raise OutsideModel, angle_deg.reason unless angle_deg.value
            raise OutsideModel, 'no_wind' unless day.wind

            planner = kind == 'steep' ? Approach::SteepApproachPlan : Approach::NormalApproachPlan
            planner.new(day.conditions, house, course_deg: course_deg,
                                               settings: { 'approach_angle_deg' => angle_deg.value }).plan
          end
        end

        # @return [Array(Planning::PlanNumber, Hash, nil)] least height over what is under the line; what and where
        def least_clearance = @least_clearance ||= least_found

        # Where the plan passes over a top, taken at its high end, with the least to spare: height over it, and what
        # is to be kept there, metres.
        # @return [Array(Float, Float), nil]
        def shortest_over
          sight.hits_for(:high).flat_map do |hit|
            near = [hit.from_m, day.clearances.half_width_m].max
            [near, day.clearances.full_from_m(hit.obstacle).clamp(near, [hit.to_m, near].max), hit.to_m].map do |at|
              [plan_height_m(at) - sight.top_m(hit.obstacle), day.clearances.over_m(hit.obstacle, at)]
            end
          end.min_by { |over, kept| over - kept }
        end

        def break_off = @break_off ||= BreakOff.new(self)

        # Shares of the line from which ground is reached if the engine quits, and that lie inside the avoid area.
        # @return [Array(Planning::PlanNumber, Planning::PlanNumber)] percent
        def escape
          @escape ||= begin
            found = stations_m.map { |at| failure_at(at) }
            [number(100.0 * found.count('reached') / found.size, 'pct'),
             number(100.0 * found.count('avoid_area') / found.size, 'pct')]
          rescue OutsideModel => e
            Array.new(2) { no_number('pct', e.message) }
          end
        end

        # What of the house's limits this line breaks today, worst first.
        # @return [Array<Reason>]
        def breaches = @breaches ||= ApproachLimits.new(self).breaches

        # @return [true, false, nil] nil where no wind is given
        def inside_limits
          return false if angle_deg.value.nil?

          day.wind && breaches.empty?
        end

        # Height of the plan over the spot's ground, so far before the spot.
        def plan_height_m(distance_m) = at(distance_m, :height_ft) * FT

        # A field of the plan's path, so far before the spot.
        def at(distance_m, field)
          feet = [distance_m / FT, -plan.path.first.along_ft].min
          rows = plan.path
          upper = rows.index { |row| -row.along_ft <= feet } || (rows.size - 1)
          return rows[upper].public_send(field) if upper.zero?

          a, b = rows.values_at(upper - 1, upper)
          share = (-a.along_ft - feet) / [-a.along_ft + b.along_ft, 1e-9].max
          a.public_send(field) + (share * (b.public_send(field) - a.public_send(field)))
        end

        def start_m = -plan.path.first.along_ft * FT

        # Whose lee the line runs through, near the ground; nil of none.
        def lee = day.lee_on(line)

        # What stands on the way of going round: beyond the spot, straight on or along the escape.
        def beyond
          @beyond ||= begin
            escape = day.site.escape_of(line)
            escape ? escape_way(escape) : straight_on
          end
        end
        # `from_m` before the spot the way leaves the approach.
        Beyond =
          Value.define(:from_m, :sight) do
            def corridor = sight.corridor
          end

        def bends
          line.courses_deg.each_cons(2).map { |a, b| Q.wrap_deg(b - a).abs }
        end

        # What of a bent line cannot be flown; nil of a straight one.
        def bent_wrong
          return nil if bends.empty?
          return 'bend' if bends.any? { |deg| deg > BEND_DEG } || line.legs.any? { |a, b| (b - a).abs < LEG_M }

          last = (line.points[-1] - line.points[-2]).abs
          ground = at(last, :groundspeed_kt) * Q::KT
          room = ((ground**2) / (Q::G * Math.tan(BANK_DEG * Q::DEG)) * Math.tan(bends.last / 2.0 * Q::DEG)) + STRAIGHT_M
          last < room ? 'bend' : nil
        end

        # Over the highest tree around in a hover, then straight down: where no angle inside the limit goes in.
        # @return [Hash, nil] height_ft, possible, because
        def high_hover
          return nil if angle_deg.value || angle_deg.reason != 'limit'

          around = day.site.standing.select(&:stands?).select { |one| one.top && one.distance_m(spot.at) <= BACK_M / 4 }
          top = around.map { |one| sight.top_m(one) }.max or return nil
          { 'height_ft' => ((top / FT) + OVER_TREES_FT).ceil, 'because' => high_hover_because }
            .then { |found| found.merge('possible' => found['because'].empty?) }
        end

        private

        def least_found
          plan
          path = ->(distance_m) { plan_height_m(distance_m) }
          likely = sight.least_clearance(:value, &path)
          return [no_number('ft', 'no_obstacle'), nil] unless likely

          high = sight.least_clearance(:high, &path)
          low = sight.least_clearance(:low, &path) || likely
          [number(likely[0] / FT, 'ft', high[0] / FT, [low[0], likely[0]].max / FT),
           { 'id' => likely[1].obstacle.id, 'distance_ft' => likely[2] / FT }]
        rescue OutsideModel => e
          [no_number('ft', e.message), nil]
        end

        def flown_angle(needed_deg)
          normal = day.house['normal_angle_deg'].to_f
          return number(normal, 'deg') if needed_deg <= normal

          flown = [day.house['steep_angle_deg'].to_f, needed_deg].max
          flown <= day.clearances.steepest_deg ? number(flown, 'deg') : no_number('deg', 'limit')
        end

        def house
          return day.house if spot.termination == 'hover'

          Planning::HouseMethod.new(day.house.values.merge('steep_ending' => 'surface'))
        end

        def stations_m = (0.0..start_m).step(EVERY_FT * FT).to_a

        def failure_at(distance_m)
          course = (corridor.course_deg(distance_m) + 180.0) % 360.0
          day.engine_failure.from(corridor.at(distance_m), height_m: plan_height_m(distance_m),
                                                           ias_kt: at(distance_m, :ias_kt), course_deg: course)
        end

        def straight_on
          on = spot.at + (Sites::Plane.step(course_deg) * BEYOND_M)
          beyond_along([spot.at, on], from_m: 0.0, reach_m: BEYOND_M)
        end

        def escape_way(escape)
          beyond_along(escape.points, from_m: leaving_m(escape.points.first), reach_m: [BEYOND_M, escape.length_m].max)
        end

        def beyond_along(points, from_m:, reach_m:)
          Beyond.new(from_m: from_m, sight: sight_along(points, reach_m: reach_m, end_m: day.skids_m(spot)))
        end

        # How far before the spot a point of the line lies.
        def leaving_m(point)
          leg = corridor.legs.min_by do |one|
            Sites::Plane.to_segment(point, one.start, one.start + (one.direction * (one.to_m - one.from_m)))
          end
          leg.from_m + Sites::Plane.along(leg.direction, point - leg.start)
        end

        def high_hover_because
          room = Sites::Room.new(day.site.obstacles, day.clearances, at: spot.at, ground_m: spot.ground_m, skids_m: 0.0)
          found = []
          found << 'power' unless day.margin_pct && day.margin_pct >= HIGH_HOVER_PCT
          found << 'room' unless room.main_enough? && room.headings_clear.any?
          found << 'lee' if day.lee.at(spot.at, spot.ground_m)
          found
        end
      end
    end
  end
end
