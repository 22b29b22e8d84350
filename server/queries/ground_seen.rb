# frozen_string_literal: true

module Fujin
  # What the school has drawn around a spot, in the plan's frame: feet along and right of the final course.
  class GroundSeen
    # Farther than this from the spot nothing is drawn.
    WITHIN_FT = 20_000.0

    # @param spot [Array(Float, Float)] latitude and longitude
    def initialize(spot, course_deg)
      @map = LocalMap.new(*spot)
      @course_deg = course_deg
    end

    # @return [Array<Hash>] the API's GroundShapes
    def to_a
      Place.in_order.filter_map do |place|
        points = place.outline.map { |at| seen(*at) }
        shape(place, points) if points.any? { |along, across| Math.hypot(along, across) <= WITHIN_FT }
      end
    end

    private

    def seen(lat, lon)
      LocalMap.along_across(*@map.north_east(lat, lon), @course_deg).map { |metres| metres / Quantities::FT }
    end

    def shape(place, points)
      {
        'name' => place.name,
        'kind' => place.kind,
        'drawn' => { 'LineString' => 'line', 'Polygon' => 'area' }.fetch(place.shape&.fetch('type'), 'point'),
        'width_ft' => place.width_ft,
        'height_ft' => place.height_ft,
        'points' => points.map do |along, across|
          { 'along_ft' => Serialisers.number(along, 1), 'across_ft' => Serialisers.number(across, 1) }
        end
      }
    end
  end
end
