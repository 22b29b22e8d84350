# frozen_string_literal: true

module Fujin
  module Sites
    # Rotor and tail clearance where the aircraft hovers or stands: horizontal, from everything that reaches the disc or
    # the tail. What is not known to be low counts as tall.
    class Room
      include Planning::Numbers

      FT = Quantities::FT
      # The disc passes this much lower at its edge than at its hub, m. Chosen: coning down and cyclic at the limit.
      DISC_DROP_M = 1.5
      TAIL_HALF_WIDTH_M = 1.0
      # On the surface the tail clears what is lower than this, ft.
      ON_SURFACE_FT = 1.0
      STEP_DEG = 5

      # @param at [Complex] of the mast, @param ground_m [Float] there, @param skids_m [Float] over it
      def initialize(obstacles, clearances, at:, ground_m:, skids_m:)
        @clearances = clearances
        @at = at
        @ground_m = ground_m
        @skids_m = skids_m
        @disc = concerned(obstacles, skids_m + clearances.hub_m - DISC_DROP_M)
        @tail = concerned(obstacles, [skids_m, ON_SURFACE_FT * FT].max)
      end

      # Id of the obstacle that leaves the least room for the disc, nil where there is none.
      def decides = nearest&.first&.id

      # @return [Planning::PlanNumber] ft
      def main
        one, metres = nearest
        return no_number('ft', 'no_obstacle') unless one

        spread((metres - @clearances.radius_m - Clearances::PLACING_M) / FT, one.place_m / FT)
      end

      # @param heading_deg [Float] of the nose
      # @return [Planning::PlanNumber] ft
      def tail(heading_deg)
        @tails ||= {}
        @tails[heading_deg] ||= worked_out_tail(heading_deg)
      end

      def main_enough? = enough?(main, @clearances.main_m)
      def tail_enough?(heading_deg) = enough?(tail(heading_deg), @clearances.tail_m)

      # Headings on which the tail has its room, judged at the bad end.
      # @return [Array<Array(Integer, Integer)>] clockwise from, to; [[0, 360]] for all of them
      def headings_clear
        @headings_clear ||= ranges((0...360).step(STEP_DEG).select { |deg| tail_enough?(deg.to_f) })
      end

      # Does a turn of the nose from one heading to another, to the right or left, sweep only clear headings?
      def turn_clear?(from_deg, to_deg, side)
        sweep = side == 'right' ? (to_deg - from_deg) % 360.0 : (from_deg - to_deg) % 360.0
        sign = side == 'right' ? 1.0 : -1.0
        steps = (sweep / STEP_DEG).ceil
        (0..steps).all? { |i| tail_enough?((from_deg + (sign * [i * STEP_DEG, sweep].min)) % 360.0) }
      end

      private

      def worked_out_tail(heading_deg)
        one, metres = @tail.map { |each| [each, tail_distance_m(each, heading_deg)] }
          .min_by { |each, distance| distance - each.place_m }
        return no_number('ft', 'no_obstacle') unless one

        spread((metres - Clearances::PLACING_M) / FT, one.place_m / FT)
      end

      def concerned(obstacles, height_m)
        obstacles.select(&:stands?).select { |one| one.top.nil? || one.top.high - @ground_m > height_m }
      end

      def nearest
        @nearest ||= @disc.map { |one| [one, one.distance_m(@at)] }.min_by { |one, distance| distance - one.place_m }
      end

      def spread(value, about) = number(value, 'ft', value - about, value + about)
      def enough?(found, metres) = found.value.nil? || found.low * FT >= metres - 1e-9

      # From the tail's rectangle, from the mast back to the tail and a metre to either side.
      def tail_distance_m(obstacle, heading_deg)
        back = Plane.step(heading_deg + 180.0)
        side = back * Complex(0, TAIL_HALF_WIDTH_M)
        far = @at + (back * @clearances.tail_reach_m)
        corners = [@at + side, far + side, far - side, @at - side]
        return 0.0 if obstacle.point? && Plane.inside?([corners], obstacle.rings[0][0])
        return 0.0 if !obstacle.point? && obstacle.stretches.any? { |a, _| Plane.inside?([corners], a) }

        Plane.edges(corners).map { |a, b| obstacle.distance_from_stretch_m(a, b) }.min
      end

      def ranges(clear)
        return [] if clear.empty?
        return [[0, 360]] if clear.size == 360 / STEP_DEG

        runs = clear.slice_when { |a, b| b - a > STEP_DEG }.map { |run| [run.first, run.last] }
        return runs unless runs.size > 1 && runs.first[0].zero? && runs.last[1] == 360 - STEP_DEG

        [[runs.last[0], runs.first[1]], *runs[1..-2]]
      end
    end
  end
end
