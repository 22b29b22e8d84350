# frozen_string_literal: true

module Fujin
  module Sites
    # Behind what stands wide across the wind: turbulent air, little wind, sinking.
    # Source: the wake of a wind break reaches some ten heights downwind and one and a half up before its wind recovers
    # to about half (M. D. Jensen, "Shelter Effect", Danish Technical Press, 1954; J. M. Caborn, "Shelterbelts and
    # Microclimate", Forestry Commission Bulletin 29, 1957); the house looks no farther than fifteen.
    class Lee
      LEAST_KT = 8.0
      # Narrower is flowed round, in heights.
      LEAST_WIDTH = 2.0
      DOWNWIND = 10.0
      UP = 1.5
      NOTED = 15.0
      # A ridge or hill this high, m (100 ft), has lee on its whole slope; of a crest that is drawn as a line it is
      # taken to fall one in so many. Drawn as an area, the slope is in it.
      HILL_M = 30.48
      SLOPE = 3.0
      # One obstacle's lee, of its height above the ground it stands on; metres.
      # `skin_m` is the lee slope that it has besides, from where it is drawn.
      Region =
        Value.define(:obstacle, :height_m, :base_m, :skin_m) do
          # Height above the datum up to which it reaches.
          def up_to_m = base_m + (UP * height_m)
        end

      attr_reader :regions, :unknown

      # @param wind [Wind, nil]
      def initialize(obstacles, wind)
        @wind = wind
        @blows = wind && Plane.step(wind.from_deg + 180.0)
        shelters = strong? ? obstacles.select { |one| one.there? && Obstacle::SHELTERS.include?(one.what) } : []
        @unknown = shelters.reject(&:top).map(&:id)
        @regions = shelters.select(&:top).filter_map { |one| region(one) }
      end

      # @param height_m [Float] above the datum
      # @return [Region, nil] whose turbulence is at a place
      def at(point, height_m) = behind(point, DOWNWIND).find { |one| height_m <= one.up_to_m }

      # Farther downwind, where it is worth a word only.
      def noted_at(point, height_m) = behind(point, NOTED).find { |one| height_m <= one.up_to_m }

      # Height above the datum up to which the air at a place is turbulent, nil where it is not.
      def up_to_m(point) = behind(point, DOWNWIND).map(&:up_to_m).max

      private

      def strong? = @wind && @wind.speed_kt >= LEAST_KT

      def region(one)
        height = one.stands_m
        across = (one.line || one.rings.flatten).map { |point| Plane.right_of(@blows, point) }
        return nil if height < 1.0 || across.max - across.min < LEAST_WIDTH * height

        skin = one.what == 'ridge' && one.line && height >= HILL_M ? SLOPE * height : 0.0
        Region.new(obstacle: one, height_m: height, base_m: one.base_m, skin_m: skin)
      end

      # Those that stand upwind of a place within so many of their heights.
      def behind(point, heights)
        regions.select do |one|
          upwind = point - (@blows * ((heights * one.height_m) + one.skin_m))
          one.obstacle.distance_from_stretch_m(point, upwind) < Plane::TOUCH_M
        end
      end
    end
  end
end
