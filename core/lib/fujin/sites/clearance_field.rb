# frozen_string_literal: true

module Fujin
  module Sites
    # The room for the disc over the usable ground, on a grid, and the spots with the most of it.
    class ClearanceField
      STEP_M = 2.0
      # Coarser over a large ground: so many points at most.
      MOST = 4000
      PROPOSED = 3
      Point = Value.define(:at, :clearance_m)

      # @param skids_m [Float] over the ground
      def initialize(site, clearances, skids_m:, most: MOST)
        @site = site
        @clearances = clearances
        @skids_m = skids_m
        @most = most
      end

      # @return [Array<Point>] the clearance of the disc where the mast may stand, least first to most last in no order
      def points
        @points ||= grid.select { |at| @site.usable?(at) }.map { |at| Point.new(at: at, clearance_m: clearance_m(at)) }
      end

      def step_m
        north, east = extent
        [STEP_M, Math.sqrt((north.max - north.min) * (east.max - east.min) / @most)].max
      end

      # The roomiest places, a disc apart.
      def proposed
        points.sort_by { |point| -point.clearance_m }.each_with_object([]) do |point, chosen|
          break chosen if chosen.size == PROPOSED

          chosen << point if chosen.all? { |other| (other.at - point.at).abs >= 2.0 * @clearances.radius_m }
        end
      end

      private

      def extent = [@site.rings[0].map(&:real), @site.rings[0].map(&:imaginary)]

      def grid
        north, east = extent
        (north.min..north.max).step(step_m).flat_map do |n|
          (east.min..east.max).step(step_m).map { |e| Complex(n, e) }
        end
      end

      # Where nothing reaches the disc, as far as the edge of the ground.
      def clearance_m(at)
        room = Room.new(@site.standing, @clearances, at: at, ground_m: @site.ground_m(at), skids_m: @skids_m).main
        return room.low * Quantities::FT if room.value

        @site.rings.flat_map { |ring| Plane.edges(ring) }.map { |a, b| Plane.to_segment(at, a, b) }.min
      end
    end
  end
end
