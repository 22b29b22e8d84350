# frozen_string_literal: true

module Fujin
  module Sites
    # The lie of the land about a site, from a grid: heights over the ground at the middle of the site, so that a grid
    # whose zero is off by some metres still says how the ground rises and falls.
    class Relief
      # Looked up on a lattice this wide, m: a line asks for the same places again and again.
      LATTICE_M = 10.0
      # Under a line, every so many metres.
      STATION_M = 20.0
      ACROSS = 9
      # What rises less than this over the spot is level ground, m. Chosen: five feet.
      LEVEL_M = 1.5
      # What a cell's height is off by besides the ground between cells, m. Chosen.
      ABOUT_M = 1.0
      # A grid and a file that are this far apart are of different grounds, ft. Chosen.
      DIFFER_FT = 60.0
      # What rises under a line is named so.
      RISING = 'rising-ground'

      attr_reader :terrain

      # @param terrain [Terrain], @param map [LocalMap] the site's
      # @raise [OutsideModel] where the grid has no height at the site
      def initialize(terrain, map)
        @terrain = terrain
        @map = map
        @datum_m = terrain.height_m(map.lat_deg, map.lon_deg) or
          raise OutsideModel, 'The grid of ground heights has none at this site.'
        @found = {}
      end

      # The ground at the middle of the site, above the sea.
      def elevation_ft = @datum_m / Quantities::FT

      # @param point [Complex] north + east·i of the site's middle
      # @return [Height, nil] over the site's ground; nil where the grid has none
      def at(point)
        cell = [(point.real / LATTICE_M).round, (point.imaginary / LATTICE_M).round]
        return @found[cell] if @found.key?(cell)

        @found[cell] = height(cell[0] * LATTICE_M, cell[1] * LATTICE_M)
      end

      # Ground that rises under a line: pieces along it, each as high as the highest across.
      # @param ground_m [Float] the spot's ground
      # @return [Array<Corridor::Hit>]
      def hits(corridor, ground_m:)
        stations(corridor).filter_map do |along|
          heights = across(corridor, along).filter_map { |point| at(point) }
          highest = heights.max_by(&:high)
          next if highest.nil? || highest.value - ground_m < LEVEL_M

          Corridor::Hit.new(obstacle: rising(corridor.at(along), highest), from_m: along - (STATION_M / 2.0),
                            to_m: along + (STATION_M / 2.0))
        end
      end

      # The highest ground so near to the middle of the site.
      # @return [Float] metres over it
      def highest_m(within_m)
        across = (-within_m..within_m).step(STATION_M).to_a
        places = across.product(across).map { |north, east| Complex(north, east) }.select { |at| at.abs <= within_m }
        places.filter_map { |place| at(place)&.high }.max || 0.0
      end

      # Along the middle of a line: metres from the spot, and height over its ground.
      # @return [Array<Array(Float, Float)>]
      def profile(corridor, ground_m:)
        [0.0, *stations(corridor)].filter_map do |along|
          height = at(corridor.at(along))
          [along, height.value - ground_m] if height
        end
      end

      # Metres from the spot up to which the grid knows the ground under a line; nil where it knows all of it.
      def known_to_m(corridor)
        stations(corridor).find { |along| at(corridor.at(along)).nil? }
      end

      private

      # On the usable ground itself the survey knows better than a grid.
      def stations(corridor)
        first = [corridor.half_width_m, corridor.leaves_m].max + (STATION_M / 2.0)
        (first..corridor.reach_m).step(STATION_M).to_a
      end

      def across(corridor, along)
        step = Plane.step(corridor.course_deg(along)) * Complex(0, corridor.half_m(along))
        middle = corridor.at(along)
        (0...ACROSS).map { |i| middle + (step * (((2.0 * i) / (ACROSS - 1)) - 1.0)) }
      end

      def height(north_m, east_m)
        lat, lon = @map.lat_lon(north_m, east_m)
        value = terrain.height_m(lat, lon) or return nil
        four, = terrain.around(lat, lon)
        Height.new(value: value - @datum_m, low: four.min - ABOUT_M - @datum_m, high: four.max + ABOUT_M - @datum_m)
      end

      def rising(at, height)
        Obstacle.new(id: RISING, what: 'ground', rings: [[at]], line: nil, radius_m: 0.0, top: height,
                     base_m: height.value, place_m: 0.0, ends: nil, status: 'seen', pass: 'surveyed', by: nil, at: nil)
      end
    end
  end
end
