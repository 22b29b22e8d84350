# frozen_string_literal: true

module Fujin
  module Sites
    # What makes a site's shapes impossible: rings that cross, holes outside, spots off the ground, lines that miss
    # their spot.
    class Shapes
      # A ring that comes nearer to another than this touches it, m.
      TOUCH_M = 0.01
      # The longest line that is read, m: the frame is good within some two kilometres of the middle.
      FAR_M = 20_000.0

      # @param site [Site]
      def initialize(site)
        @site = site
      end

      # @return [Array<Array(String, String)>] id of the feature, and what is wrong where
      def problems = outline + areas + long_things + far + spots + lines

      private

      def outline
        found = crossing(@site.rings, 'site') + holes(@site.rings, 'site')
        return found unless found.empty? && Plane.doubled_area(@site.rings[0]).abs < 1.0

        [['site', 'the usable ground has no area']]
      end

      def areas
        bounded = @site.obstacles.reject { |one| one.line || one.point? }
        (bounded + @site.landables).flat_map { |one| crossing(one.rings, one.id.to_s) + holes(one.rings, one.id.to_s) }
      end

      # A wire, a fence, an edge goes from somewhere to somewhere else.
      def long_things
        short = @site.obstacles.select do |one|
          one.line && (one.line.size < 2 || one.line.each_cons(2).any? { |a, b| (b - a).abs < TOUCH_M })
        end
        short.map { |one| [one.id, Text.of('the line has no length near %{place}', place: place(one.line[0]))] }
      end

      # Edges of one ring that are no neighbours must not meet.
      def crossing(rings, id)
        rings.filter_map do |ring|
          edges = Plane.edges(ring)
          pair = edges.each_index.to_a.combination(2).find do |i, j|
            next if j == i + 1 || (i.zero? && j == edges.size - 1)

            Plane.meet?(*edges[i], *edges[j])
          end
          [id, Text.of('its ring crosses itself near %{place}', place: place(edges[pair[1]][0]))] if pair
        end
      end

      def holes(rings, id)
        outside, *holes = rings
        holes.each_with_index.flat_map do |hole, i|
          others = [outside, *holes[(i + 1)..]]
          touching = others.any? { |other| touch?(hole, other) }
          next [[id, Text.of('a hole touches another ring near %{place}', place: place(hole[0]))]] if touching

          if hole.all? do |corner|
            Plane.inside?([outside], corner)
          end
            []
          else
            [[id, Text.of('a hole lies outside near %{place}', place: place(hole[0]))]]
          end
        end
      end

      def touch?(one, other)
        Plane.edges(one).any? { |a, b| Plane.edges(other).any? { |c, d| Plane.between(a, b, c, d) < TOUCH_M } }
      end

      def far
        (@site.obstacles.map { |one| [one.id, one.rings[0][0]] } + @site.spots.map { |one| [one.id, one.at] })
          .select { |_, at| at.abs > FAR_M }
          .map do |id, at|
          [id, Text.of('lies %{at} km from the site, at %{place}', at: (at.abs / 1000).round, place: place(at))]
        end
      end

      def spots
        @site.spots.reject { |spot| @site.usable?(spot.at) }
          .map { |spot| [spot.id, Text.of('the spot is not on the usable ground, at %{place}', place: place(spot.at))] }
      end

      def lines
        @site.lines.flat_map { |line| line.kind == 'escape' ? escape(line) : [bare(line) || off_spot(line)].compact }
      end

      def bare(line)
        return [line.id, 'the line needs at least two positions'] if line.points.size < 2

        leg = line.legs.find { |from, to| (to - from).abs < SiteFile::NEAR_M }
        [line.id, Text.of('the line has no length near %{place}', place: place(leg[0]))] if leg
      end

      def off_spot(line)
        spot = @site.spot(line.spot) or return [line.id, Text.of('belongs to no spot: there is no %{spot}',
                                                                 spot: line.spot.inspect)]
        meets = line.kind == 'approach' ? line.points.last : line.points.first
        off = (meets - spot.at).abs
        return nil if off <= SiteFile::NEAR_M

        ends = line.kind == 'approach' ? 'ends' : 'begins'
        [line.id, Text.of('%{ends} %{off} m from its spot %{id}, at %{place}',
                          ends: ends, off: off.round(1), id: spot.id, place: place(meets))]
      end

      def escape(line)
        wrong = bare(line) and return [wrong]
        approach = @site.approaches.find { |one| one.id == line.leaves }
        unless approach
          return [[line.id, Text.of('leaves no approach: there is no %{leaves}', leaves: line.leaves.inspect)]]
        end

        off = approach.legs.map { |from, to| Plane.to_segment(line.points.first, from, to) }.min
        return [] if off <= SiteFile::NEAR_M

        [[line.id, Text.of('begins %{off} m from the approach %{id}, at %{place}',
                           off: off.round(1), id: approach.id, place: place(line.points.first))]]
      end

      def place(point) = format('%.5f, %.5f', *@site.lat_lon(point))
    end
  end
end
