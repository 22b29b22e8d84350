# frozen_string_literal: true

module Fujin
  module Sites
    # What was found at sites near by and may hold here too: things drawn there that stand within reach of this site and
    # are not in its survey, wires that run this way, and what was noted of the air, the light and what moves.
    class Neighbours
      # Farther sites say nothing of this one, m. Chosen: a valley, a stretch of coast.
      NEAR_M = 10_000.0
      MILE_M = 1852.0
      # What stands within so much of this site concerns its lines, m.
      REACH_M = 1500.0
      # Drawn nearer than this besides what both do not know, it is the same thing, m.
      SAME_M = 15.0
      # A wire whose end was not seen is looked for so far on, m.
      WIRE_ON_M = 3000.0
      # Points whose note may hold for the whole neighbourhood.
      SHARED = %w[wind lee sun wire].freeze
      # `about` is what to look for: an obstacle's kind or a survey point's; `id` of it at the neighbour; `kind`
      # 'stands', 'runs_on' or 'noted'; `off_m`, `bearing_deg` from the middle of this site.
      Suggestion =
        Value.define(:site, :kind, :about, :id, :off_m, :bearing_deg, :note) do
          # As it is put to whoever surveys here.
          def text
            where = Text.of('%{feet} ft to the %{bearing}',
                            feet: (off_m / Quantities::FT).round(-1), bearing: format('%03d', bearing_deg.round))
            case kind
            when 'stands' then Text.of('%{about} %{id}, drawn at %{site}: %{where}, and not in this survey.',
                                       about: about, id: id.tr('-', ' '), site: site, where: where)
            when 'runs_on'
              Text.of('%{about} %{id}, drawn at %{site}: an end of it was not seen; straight on it passes %{where}.',
                      about: about,
                      id: id.tr('-',
                                ' '),
                      site: site, where: where)
            else
              Text.of('%{site}, %{off_m} nm away: “%{note}” Does it hold here?',
                      site: site, off_m: (off_m / Neighbours::MILE_M).round(1), note: note)
            end
          end
        end

      # @param site [Site], @param others [Array<Site>]
      def initialize(site, others)
        @site = site
        @others = others.select { |other| middle_of(other).abs.between?(1.0, NEAR_M) }
          .sort_by { |other| middle_of(other).abs }
      end

      # @return [Array<Suggestion>] of the nearest first; at each, what stands before what was noted
      def suggestions = @others.flat_map { |other| standing(other) + running(other) + noted(other) }

      private

      def middle_of(other) = Complex(*@site.map.north_east(other.map.lat_deg, other.map.lon_deg))

      # A point of the neighbour's frame in this site's.
      def here(other, point) = Complex(*@site.map.north_east(*other.lat_lon(point)))
      def shape(other, one) = (one.line || one.rings[0]).map { |point| here(other, point) }

      def standing(other)
        other.standing.reject(&:ground?).filter_map do |one|
          points = shape(other, one)
          nearest = points.min_by(&:abs)
          next if nearest.abs > REACH_M || known?(one.what, points, one.place_m)

          suggestion(other, 'stands', one, nearest, nil)
        end
      end

      def known?(what, points, place_m)
        @site.obstacles.any? do |mine|
          mine.what == what && points.any? { |point| mine.distance_m(point) <= SAME_M + mine.place_m + place_m }
        end
      end

      # A wire that goes on this way past an end which nobody saw hang on something.
      def running(other)
        other.standing.select(&:wire?).filter_map do |wire|
          points = shape(other, wire)
          next if points.map(&:abs).min <= REACH_M

          near = unseen_ends(wire, points).map { |end_, before| nearest_beyond(end_, before) }.min_by(&:abs)
          next if near.nil? || near.abs > REACH_M || @site.obstacles.any? do |mine|
            mine.wire? && mine.distance_m(near) < 100.0
          end

          suggestion(other, 'runs_on', wire, near, nil)
        end
      end

      def unseen_ends(wire, points)
        first, last = wire.ends || []
        [([points[0], points[1]] unless first == 'seen'), ([points[-1], points[-2]] unless last == 'seen')].compact
      end

      # Where the straight beyond an end comes nearest to the middle of this site.
      def nearest_beyond(end_, before)
        way = (end_ - before) / (end_ - before).abs
        end_ + (way * Plane.along(way, -end_).clamp(0.0, WIRE_ON_M))
      end

      def noted(other)
        mine = Survey.new(@site.survey, []).answers
        Survey.new(other.survey, []).answers.filter_map do |(group, about), point|
          next unless SHARED.include?(about) && !point&.note.to_s.strip.empty?
          next if point.status == 'not_there' || mine[[group, about]]&.note == point.note

          at = middle_of(other)
          Suggestion.new(site: other.name, kind: 'noted', about: about, id: point.id, note: point.note,
                         off_m: at.abs, bearing_deg: bearing(at))
        end
      end

      def suggestion(other, kind, one, at, note)
        Suggestion.new(site: other.name, kind: kind, about: one.what, id: one.id, off_m: at.abs, note: note,
                       bearing_deg: bearing(at))
      end

      def bearing(at) = (at.arg / Quantities::DEG) % 360.0
    end
  end
end
