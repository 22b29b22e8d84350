# frozen_string_literal: true

module Fujin
  module Sites
    # The angle at which a line must be flown to pass over what stands under it.
    class SightLine
      include Planning::Numbers

      FT = Quantities::FT
      Worst = Value.define(:angle_rad, :obstacle, :distance_m)

      # @param corridor [Corridor], @param obstacles [Array<Obstacle>]
      # @param ground_m [Float] the spot's ground above the datum, @param end_m [Float] height over it at which it ends
      # @param relief [Relief, nil] the ground under the line
      def initialize(corridor, obstacles, clearances, ground_m:, end_m:, relief: nil)
        @corridor = corridor
        @obstacles = obstacles
        @clearances = clearances
        @ground_m = ground_m
        @end_m = end_m
        @relief = relief
      end

      # @return [Planning::PlanNumber] degrees; without a value `no_obstacle`, or `not_known` (with ids)
      def angle
        return no_number('deg', "not_known: #{unknown.join(', ')}") if unknown.any?
        # What only may stand there gives no likely angle, but one to be safe at.
        return no_number('deg', 'no_obstacle').with(high: degrees(worst(:high))) unless worst(:value)

        value, low, high = %i[value low high].map { |end_| degrees(worst(end_)) }
        number(value, 'deg', [low || value, value].min, high)
      end

      # Id of what decides the angle.
      def decides = (worst(:value) || worst(:high))&.obstacle&.id

      # Obstacles under the line whose height nobody knows.
      def unknown
        @unknown ||= @corridor.hits(@obstacles, grown: 1.0).map(&:obstacle).uniq.select { |one| one.top.nil? }.map(&:id)
      end

      attr_reader :corridor

      # The hits that a path is held to: at `:high`, tops at their high end, as near as they may stand.
      def hits_for(which) = hits(which)

      # Height over the spot's ground of an obstacle's top.
      def top_m(obstacle, which = :high) = obstacle.top.public_send(which) - @ground_m

      # Highest top under the line over the spot's ground, metres; nil where nothing stands.
      def highest_m(which = :high) = hits(which).map { |hit| top_m(hit.obstacle, which) }.max

      # Least height of a path over what stands under it.
      # @yield [distance_m] height of the path over the spot's ground
      # @return [Array(Float, Corridor::Hit, Float), nil] metres, the hit, where along the line
      def least_clearance(which, &)
        hits(which).flat_map do |hit|
          stations(hit).map { |at| [yield(at) - top_m(hit.obstacle, which), hit, at] }
        end.min_by(&:first)
      end

      private

      GROWN = { value: 0.0, low: -1.0, high: 1.0 }.freeze
      private_constant :GROWN

      def hits(which)
        @hits ||= {}
        @hits[which] ||= @corridor.hits(@obstacles.select(&:top), grown: GROWN.fetch(which)) + rising
      end

      def rising = @rising ||= @relief ? @relief.hits(@corridor, ground_m: @ground_m) : []

      def degrees(found) = found && (found.angle_rad / Quantities::DEG)

      def worst(which)
        @worst ||= {}
        return @worst[which] if @worst.key?(which)

        @worst[which] = hits(which).flat_map { |hit| stations(hit).map { |at| seen(hit.obstacle, at, which) } }
          .max_by(&:angle_rad)
      end

      # Ends of a hit, and where the clearance stops growing: the angle has no other greatest.
      def stations(hit)
        near, far = [hit.from_m, hit.to_m].map { |at| [at, @clearances.half_width_m].max }
        [near, @clearances.full_from_m(hit.obstacle).clamp(near, far), far].uniq
      end

      def seen(obstacle, at, which)
        rise = top_m(obstacle, which) + @clearances.over_m(obstacle, at) - @end_m
        Worst.new(angle_rad: Math.atan2(rise, at), obstacle: obstacle, distance_m: at)
      end
    end
  end
end
