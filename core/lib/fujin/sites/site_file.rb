# frozen_string_literal: true

module Fujin
  module Sites
    # Reads a site from GeoJSON (RFC 7946): one FeatureCollection, one site a file (docs/reference/sites.md).
    class SiteFile
      # Height uncertainty by pass: share of the height, and feet at least.
      HEIGHTS = { 'high' => [0.2, 10.0], 'low' => [0.1, 5.0], 'walked' => [0.1, 5.0], 'surveyed' => [0.0, 1.0] }.freeze
      PLACES_M = { 'high' => 10.0, 'low' => 5.0, 'walked' => 1.0, 'surveyed' => 0.5 }.freeze
      # A wire is never known better than this unless it was surveyed, ft.
      WIRE_FT = 5.0
      # A tree's crown, m, where nothing is said.
      CROWN_M = 3.0
      SURFACES = %w[grass long_grass sand snow rock tarmac gravel mud roof].freeze
      LINES = %w[approach departure escape].freeze
      # A line ends this near to its spot, m.
      NEAR_M = 1.0

      # @param document [Hash] parsed JSON
      # @yield [LocalMap] of the site, for the heights of the ground there
      # @yieldreturn [Terrain, nil] nil where there are none
      # @return [Site]
      # @raise [InvalidInput] with every problem: the feature's id, and its place
      # @raise [OutsideModel] where the terrain has no height at the site
      def self.read(document, &terrain) = new(document, terrain).site

      def initialize(document, terrain)
        @document = document
        @terrain = terrain
        @problems = []
      end

      def site
        @features = features
        ground = only_site
        check
        @map = local_map(ground)
        found = build(ground)
        check
        Shapes.new(found).problems.each { |path, message| problem(path, message) }
        check
        found
      end

      private

      # @return [nil]
      def problem(path, message)
        @problems << { path: path, message: message }
        nil
      end

      def check = @problems.empty? || raise(InvalidInput, @problems)

      def features
        list = @document.is_a?(Hash) && @document['type'] == 'FeatureCollection' ? @document['features'] : nil
        unless list.is_a?(Array) && list.all? { |one| one.is_a?(Hash) && one['properties'].is_a?(Hash) }
          problem('(file)', 'expected a GeoJSON FeatureCollection of features with properties')
        end
        check
        twice = list.filter_map { |one| id_of(one) }.tally.select { |_, times| times > 1 }.keys
        twice.each { |id| problem(id, 'stands twice: every feature needs an id of its own') }
        list
      end

      def id_of(feature) = feature['properties']['id'] || feature['id']
      def name_of(feature) = (id_of(feature) || feature['properties']['kind'] || 'feature').to_s
      def kind(name) = @features.select { |one| one['properties']['kind'] == name }

      def only_site
        found = kind('site')
        unless found.size == 1
          problem('(file)', Text.of("expected one feature of kind 'site', found %{found}", found: found.size))
        end
        found.first.tap { |one| one && positions(one, 'Polygon') }
      end

      # Coordinates of a feature, checked: rings, a list or one position, each [lon, lat].
      def positions(feature, *types)
        name = name_of(feature)
        shape = feature['geometry']
        unless shape.is_a?(Hash) && types.include?(shape['type'])
          got = shape.is_a?(Hash) ? shape['type'].inspect : shape.inspect[0, 40]
          return problem(name, Text.of('expected a geometry of type %{types}, got %{got}',
                                       types: types.join(' or '), got: got))
        end

        found = shape['coordinates']
        listed = { 'Point' => [[found]], 'LineString' => [found], 'Polygon' => found }[shape['type']]
        return problem(name, 'has no coordinates') unless lists?(listed)

        listed.flatten(1).each { |position| position_problem(name, position) }
        @problems.empty? ? listed : nil
      end

      def lists?(listed)
        listed.is_a?(Array) && !listed.empty? && listed.all? { |one| one.is_a?(Array) && !one.empty? }
      end

      def position_problem(name, position)
        numbers = position.is_a?(Array) && position.size >= 2 && position.first(2).all?(Numeric)
        return if numbers && position[0].between?(-180, 180) && position[1].between?(-90, 90)

        problem(name, Text.of('expected a position as [longitude, latitude] in degrees, got %{position}',
                              position: position.inspect[0, 60]))
      end

      # About the middle of the usable ground.
      def local_map(ground)
        ring = ground['geometry']['coordinates'][0]
        about = LocalMap.new(ring[0][1].to_f, ring[0][0].to_f)
        points = ring.map { |lon, lat| Complex(*about.north_east(lat, lon)) }
        return about if Plane.doubled_area(points).zero?

        middle = Plane.centroid(points)
        LocalMap.new(*about.lat_lon(middle.real, middle.imaginary))
      end

      def point(position) = Complex(*@map.north_east(position[1].to_f, position[0].to_f))

      # A ring of points, the closing one left out.
      def ring(name, list)
        problem(name, 'a ring is not closed: its last position is its first') unless list.first == list.last
        problem(name, 'a ring needs at least three corners') if list.size < 4
        list[0..-2].map { |position| point(position) }
      end

      def rings(feature, listed) = listed.map { |list| ring(name_of(feature), list) }

      def build(ground)
        fields = ground['properties']
        slope = number(ground, 'slope_deg', 0..45) || 0.0
        bare = Site.new(
          name: fields['name'].to_s, map: @map, rings: rings(ground, ground['geometry']['coordinates']),
          elevation_ft: number(ground, 'elevation_ft', -1500..20_000) || 0.0,
          surroundings_ft: number(ground, 'surroundings_ft', -5000..5000),
          surface: one_of(ground, 'surface', SURFACES), slope_deg: slope,
          falls_toward_deg: number(ground, 'falls_toward_deg', 0..360) || 0.0,
          obstacles: [], landables: landables, spots: [], lines: [], survey: survey_points,
          relief: @terrain&.call(@map)&.then { |heights| Relief.new(heights, @map) }
        )
        with_spots = bare.with(spots: spots(bare))
        with_spots.with(obstacles: obstacles(bare), lines: lines(with_spots))
      end

      def number(feature, field, range, default = nil)
        value = feature['properties'][field]
        return default if value.nil?
        return value.to_f if value.is_a?(Numeric) && range.cover?(value)

        problem(name_of(feature),
                Text.of('%{field}: expected a number from %{low} to %{high}, got %{value}',
                        field: field, low: range.begin, high: range.end, value: value.inspect))
        nil
      end

      def one_of(feature, field, allowed)
        value = feature['properties'][field]
        return value if value.nil? || allowed.include?(value)

        problem(name_of(feature), Text.of('%{field}: expected one of %{allowed}, got %{value}',
                                          field: field, allowed: allowed.join(', '), value: value.inspect))
        nil
      end

      def each_of(kind, *types)
        kind(kind).filter_map do |feature|
          listed = positions(feature, *types)
          listed && yield(feature, listed, feature['properties'])
        end
      end

      def landables = each_of('landable', 'Polygon') do |feature, listed, fields|
        Landable.new(id: id_of(feature), rings: rings(feature, listed), surface: fields['surface'])
      end

      def spots(site) = each_of('spot', 'Point') do |feature, listed, _|
        at = point(listed[0][0])
        ground = number(feature, 'ground_ft', -5000..5000)
        Spot.new(id: id_of(feature).to_s, at: at,
                 termination: one_of(feature, 'termination', %w[hover surface]) || 'hover',
                 ground_m: ground ? ground * Quantities::FT : site.ground_m(at))
      end

      def lines(site) = LINES.flat_map do |kind|
        each_of(kind, 'LineString') do |feature, listed, fields|
          points = listed[0].map { |position| point(position) }
          Line.new(id: id_of(feature).to_s, kind: kind, points: points, leaves: fields['line'],
                   spot: fields['spot'] || (kind == 'escape' ? nil : nearest(site, points, kind)))
        end
      end

      # A line that names no spot belongs to the one it meets.
      def nearest(site, points, kind)
        meets = kind == 'approach' ? points.last : points.first
        site.spots.min_by { |spot| (spot.at - meets).abs }&.id
      end

      def survey_points = kind('survey_point').map do |feature|
        fields = feature['properties']
        one_of(feature, 'group', Survey::REQUIRED.keys)
        SurveyPoint.new(id: id_of(feature).to_s, group: fields['group'], about: fields['about'],
                        status: one_of(feature, 'status', Survey::STATUSES) || 'open',
                        pass: one_of(feature, 'pass', Survey::PASSES), note: fields['note'])
      end

      # What a low pass changed of an obstacle names it in `changes`; both stay in the file, the lower pass holds.
      def obstacles(site)
        replaced = kind('obstacle').filter_map { |one| one['properties']['changes'] }
        all = each_of('obstacle', 'Point', 'LineString', 'Polygon') do |feature, listed, fields|
          obstacle(site, feature, listed, fields)
        end
        all.reject { |one| replaced.include?(one.id) }
      end

      def obstacle(site, feature, listed, fields)
        type = feature['geometry']['type']
        points = type == 'Polygon' ? nil : listed[0].map { |position| point(position) }
        rings = type == 'Polygon' ? rings(feature, listed) : [points]
        pass = one_of(feature, 'pass', Survey::PASSES) || 'high'
        base = base_m(site, feature, rings[0])
        what = fields['what'].to_s
        Obstacle.new(
          id: id_of(feature).to_s, what: what, rings: rings, line: (points if type == 'LineString'),
          radius_m: (number(feature, 'radius_m', 0..200) || (what == 'tree' ? CROWN_M : 0.0) if type == 'Point'),
          top: top(feature, base, what, pass), base_m: base,
          place_m: number(feature, 'position_uncertainty_m', 0..500, PLACES_M.fetch(pass)),
          ends: fields['ends'], status: status(feature, what, pass), pass: pass, by: fields['by'], at: fields['at']
        )
      end

      # A wire is not there only when a low pass has looked.
      def status(feature, what, pass)
        given = one_of(feature, 'status', Survey::STATUSES) || 'seen'
        what == 'wire' && given == 'not_there' && pass == 'high' ? 'open' : given
      end

      def base_m(site, feature, ring)
        given = number(feature, 'base_ft', -5000..5000)
        return given * Quantities::FT if given

        middle = ring.sum(Complex(0, 0)) / ring.size
        seen = site.usable?(middle) ? nil : site.relief&.at(middle)
        seen&.value || site.ground_m(middle)
      end

      def top(feature, base_m, what, pass)
        feet = number(feature, 'top_ft', -5000..5000) or return nil
        base_ft = base_m / Quantities::FT
        if feature['properties']['base_ft'] && feet < base_ft
          return problem(name_of(feature), Text.of('top_ft: %{feet} lies under its own base of %{base_ft} ft',
                                                   feet: feet.round(1), base_ft: base_ft.round(1)))
        end

        about = number(feature, 'top_uncertainty_ft', 0..500)
        Height.about(feet * Quantities::FT, (about || usual_ft(feet - base_ft, what, pass)) * Quantities::FT)
      end

      def usual_ft(stands_ft, what, pass)
        share, least = HEIGHTS.fetch(pass)
        floor = what == 'wire' && pass != 'surveyed' ? [least, WIRE_FT].max : least
        [share * stands_ft.abs, floor].max
      end
    end
  end
end
