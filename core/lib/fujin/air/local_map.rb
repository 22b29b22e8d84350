# frozen_string_literal: true

module Fujin
  # Flat local map about one point: good to 0.1 % within some 20 km of it.
  # Source: metre per degree from the WGS 84 meridian and parallel radii of curvature.
  class LocalMap
    attr_reader :lat_deg, :lon_deg

    EQUATOR_M = 6_378_137.0
    ECCENTRICITY_SQUARED = 0.00669437999014

    def initialize(lat_deg, lon_deg)
      @lat_deg = lat_deg
      @lon_deg = lon_deg
      sin = Math.sin(lat_deg * Quantities::DEG)
      w = 1.0 - (ECCENTRICITY_SQUARED * sin * sin)
      @north_m_per_deg = Quantities::DEG * EQUATOR_M * (1.0 - ECCENTRICITY_SQUARED) / (w**1.5)
      @east_m_per_deg = Quantities::DEG * EQUATOR_M * Math.cos(lat_deg * Quantities::DEG) / Math.sqrt(w)
      freeze
    end

    # @return [Array(Float, Float)] north and east of the origin, metres; crosses the date line
    def north_east(lat, lon)
      [(lat - lat_deg) * @north_m_per_deg, Quantities.wrap_deg(lon - lon_deg) * @east_m_per_deg]
    end

    # @return [Array(Float, Float)] latitude and longitude in degrees
    def lat_lon(north_m, east_m)
      [lat_deg + (north_m / @north_m_per_deg), Quantities.wrap_deg(lon_deg + (east_m / @east_m_per_deg))]
    end

    # North and east of so many metres along a course and right of it.
    def self.from_along_across(along_m, across_m, course_deg)
      c = Math.cos(course_deg * Quantities::DEG)
      s = Math.sin(course_deg * Quantities::DEG)
      [(along_m * c) - (across_m * s), (along_m * s) + (across_m * c)]
    end

    # Splits a position into metres along a course and right of it.
    def self.along_across(north_m, east_m, course_deg)
      c = Math.cos(course_deg * Quantities::DEG)
      s = Math.sin(course_deg * Quantities::DEG)
      [(north_m * c) + (east_m * s), (east_m * c) - (north_m * s)]
    end
  end
end
