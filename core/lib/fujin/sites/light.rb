# frozen_string_literal: true

module Fujin
  module Sites
    # The sun on a line, and shadows on the ground, at one moment.
    class Light
      GLARE_DEG = 20.0
      NOTED_DEG = 35.0
      WITHIN_DEG = 30.0
      # The last of an approach on which a shadow hides what is there, m.
      LAST_M = 100.0
      STEP_M = 20.0

      attr_reader :sun

      # @param at [Time, nil] without it there is nothing to say
      def initialize(site, at)
        @site = site
        @sun = at && Sun.new(at, site.map.lat_deg, site.map.lon_deg)
      end

      def known? = !sun.nil?
      def night? = known? && sun.elevation_deg.negative?

      # @return ['glare', 'note', nil] the worst of any leg
      def in_the_eyes(line)
        return nil if !known? || night? || line.courses_deg.none? { |deg| sun.off_deg(deg).abs <= WITHIN_DEG }

        { GLARE_DEG => 'glare', NOTED_DEG => 'note' }.find { |deg, _| sun.elevation_deg <= deg }&.last
      end

      # Id of what throws its shadow on a point of the ground, nil in the light.
      def shadow_on(point)
        return nil if !known? || night?

        toward = Plane.step(sun.azimuth_deg)
        slope = Math.tan(sun.elevation_deg * Quantities::DEG)
        @site.standing.select { |one| one.stands? && one.top }.find do |one|
          length = (one.top.value - @site.ground_m(point)) / slope
          length.positive? && one.distance_from_stretch_m(point, point + (toward * length)) <= 0.01
        end&.id
      end

      # What shadows the spot or the last of an approach.
      def shadow_on_line(line)
        last, before = line.points.last(2).reverse
        toward = (before - last) / (before - last).abs
        (0..(LAST_M / STEP_M).to_i).filter_map { |i| shadow_on(last + (toward * (i * STEP_M))) }.first
      end
    end
  end
end
