# frozen_string_literal: true

module Fujin
  # A place as a GeoJSON feature (RFC 7946), and the fields of one from somebody else's file.
  module PlaceFeature
    # Vertices of a shape; more is a map, not a place.
    MOST_POINTS = 500

    module_function

    # @param place [#name, #kind, #shape, #lat_deg, #lon_deg] a row of the school's places
    def write(place)
      {
        'type' => 'Feature',
        'id' => place.id,
        'geometry' => place.shape || { 'type' => 'Point', 'coordinates' => [place.lon_deg, place.lat_deg] },
        'properties' => {
          'name' => place.name, 'kind' => place.kind, 'elevation_ft' => place.elevation_ft,
          'courses_deg' => place.courses, 'width_ft' => place.width_ft, 'height_ft' => place.height_ft
        }.compact
      }
    end

    # @param kinds [Array<String>] that a place may be of
    # @return [Hash{Symbol => Object}] the place's fields
    # @raise [InvalidInput] naming the feature and what is wrong with it
    def read(feature, index, kinds:)
      geometry, properties = feature.is_a?(Hash) ? feature.values_at('geometry', 'properties') : []
      properties = {} unless properties.is_a?(Hash)
      points = points_of(geometry)
      problem = points_problem(points) || properties_problem(properties)
      raise InvalidInput, [{ path: "features[#{index}]", message: problem }] if problem

      shape = geometry.slice('type', 'coordinates') unless geometry['type'] == 'Point'
      lat, lon = middle(geometry['type'], points)
      {
        name: properties['name'].strip, lat_deg: lat, lon_deg: lon, shape: shape,
        kind: kinds.include?(properties['kind']) ? properties['kind'] : usual_kind(geometry['type']),
        elevation_ft: number(properties['elevation_ft'], -1500, 14_000) || 0.0,
        width_ft: number(properties['width_ft'], 1, 2000), height_ft: number(properties['height_ft'], 0, 3000),
        courses: Array(properties['courses_deg']).grep(Numeric).grep(0..360).then do |given|
          given.any? || geometry['type'] != 'LineString' ? given : both_ways(points)
        end
      }
    end

    # @return [Array<Array(Float, Float)>, nil] longitude and latitude each, as the file has them
    def points_of(geometry)
      return nil unless geometry.is_a?(Hash)

      given = geometry['coordinates']
      case geometry['type']
      when 'Point' then [given]
      when 'LineString' then given
      when 'Polygon' then given.is_a?(Array) ? given.first : nil
      end
    end

    def points_problem(points)
      return 'expected a point, a line or an area with longitude and latitude' unless points.is_a?(Array) && points.any?
      return Text.of('expected at most %{most_points} points', most_points: MOST_POINTS) if points.size > MOST_POINTS

      good = points.all? do |lon, lat|
        lon.is_a?(Numeric) && lat.is_a?(Numeric) && lat.abs <= 90 && lon.abs <= 180
      end
      'expected longitude and latitude, in degrees, of every point' unless good
    end

    def properties_problem(properties)
      name = properties['name'].to_s.strip
      'expected a property name of 1 to 80 letters' if name.empty? || name.size > 80
    end

    # Where something is landed on: a point, the beginning of a line, the middle of an area.
    def middle(type, points)
      return points.first.first(2).reverse.map(&:to_f) unless type == 'Polygon'

      corners = points.first == points.last ? points[0..-2] : points
      [1, 0].map { |axis| corners.sum { |corner| corner[axis].to_f } / corners.size }
    end

    def usual_kind(type) = { 'LineString' => 'line', 'Polygon' => 'area' }.fetch(type, 'spot')
    def number(value, low, high) = value.is_a?(Numeric) && value.between?(low, high) ? value.to_f : nil

    # The courses along a line, whole degrees true.
    def both_ways(points)
      (lon, lat), (to_lon, to_lat) = points.values_at(0, -1)
      north, east = LocalMap.new(lat, lon).north_east(to_lat, to_lon)
      course = (Math.atan2(east, north) / Quantities::DEG).round % 360
      [course, (course + 180) % 360]
    end
  end
end
