# frozen_string_literal: true

module Fujin
  module Sites
    # One surveyed place: the usable ground, what stands around it, the lines in and out, and what was answered of it.
    # Points are north + east·i, metres from the middle of the ground; heights metres above its datum, the ground there.
    # `relief` is the lie of the land about it where the school has a grid of it.
    Site =
      Value.define(
        :name, :map, :rings, :elevation_ft, :surroundings_ft, :surface, :slope_deg, :falls_toward_deg,
        :obstacles, :landables, :spots, :lines, :survey, :relief, defaults: { relief: nil }
      ) do
        # Height of the ground's plane at a point, metres.
        def ground_m(point)
          return 0.0 unless slope_deg.positive?

          -Math.tan(slope_deg * Quantities::DEG) * Plane.along(Plane.step(falls_toward_deg), point)
        end

        def usable?(point) = Plane.inside?(rings, point)
        def spot(id) = spots.find { |spot| spot.id == id }
        def approaches = lines.select { |line| line.kind == 'approach' }
        def departures = lines.select { |line| line.kind == 'departure' }
        def escape_of(approach) = lines.find { |line| line.kind == 'escape' && line.leaves == approach.id }
        # What is there, so far as is known.
        def standing = obstacles.select(&:there?)

        # Latitude and longitude of a point, degrees.
        def lat_lon(point) = map.lat_lon(point.real, point.imaginary)
      end
  end
end
