# frozen_string_literal: true

require_relative 'record'

module Fujin
  # Somewhere that the school teaches: an aerodrome, a runway, a pad, an area, a spot, a figure's centre or line; or an
  # obstacle beside it. `courses` are final courses flown there, degrees true, the usual first; `shape` a GeoJSON line
  # or polygon where it is more than a point, `width_ft` of a line, `height_ft` of what stands up.
  class Place < Record
    KINDS = %w[aerodrome runway strip pad area spot figure line obstacle].freeze
    scope :in_order, -> { order(Arel.sql('lower(name)')) }

    # @return [Array<Array(Float, Float)>] latitude and longitude of each point of its shape
    def outline
      case shape&.fetch('type')
      when 'LineString' then shape['coordinates'].map { |lon, lat| [lat, lon] }
      when 'Polygon' then shape['coordinates'].first.map { |lon, lat| [lat, lon] }
      else [[lat_deg, lon_deg]]
      end
    end
  end
end
