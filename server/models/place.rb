# frozen_string_literal: true

require_relative 'record'

module Fujin
  # Somewhere that the school teaches: an aerodrome, a runway, a pad, an area, a spot, a figure's centre. `courses` are
  # final courses flown there, degrees true, the usual first.
  class Place < Record
    KINDS = %w[aerodrome runway strip pad area spot figure].freeze
    scope :in_order, -> { order(Arel.sql('lower(name)')) }

    # As a GeoJSON feature (RFC 7946).
    def to_feature
      {
        'type' => 'Feature',
        'id' => id,
        'geometry' => { 'type' => 'Point', 'coordinates' => [lon_deg, lat_deg] },
        'properties' => { 'name' => name, 'kind' => kind, 'elevation_ft' => elevation_ft, 'courses_deg' => courses }
      }
    end

    # Fields from a feature of somebody else's file.
    # @raise [InvalidInput] naming the feature and what is wrong with it
    def self.fields_of(feature, index)
      path = "features[#{index}]"
      geometry = feature.is_a?(Hash) ? feature['geometry'] : nil
      lon, lat = geometry['coordinates'] if geometry.is_a?(Hash) && geometry['type'] == 'Point'
      properties = feature.is_a?(Hash) ? feature['properties'] || {} : {}
      name = properties['name'].to_s.strip
      problem =
        if !lon.is_a?(Numeric) || !lat.is_a?(Numeric) || lat.abs > 90 || lon.abs > 180
          'expected a point with longitude and latitude'
        elsif name.empty? || name.size > 80
          'expected a property name of 1 to 80 letters'
        end
      raise InvalidInput, [{ path: path, message: problem }] if problem

      {
        name: name, lat_deg: lat.to_f, lon_deg: lon.to_f,
        kind: KINDS.include?(properties['kind']) ? properties['kind'] : 'spot',
        elevation_ft: properties['elevation_ft'].is_a?(Numeric) ? properties['elevation_ft'].to_f : 0.0,
        courses: Array(properties['courses_deg']).grep(Numeric).grep(0..360)
      }
    end
  end
end
