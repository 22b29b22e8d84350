# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # Lines into and out of a spot that are worth a look: into the wind, the clearest, the one that leaves most
      # ground in reach, the one with the sun behind.
      class Proposals
        COURSES_DEG = (0...360).step(10).to_a.freeze
        LENGTH_M = 700.0
        # Escape is worked out for so many of the clearest.
        MOST_ESCAPES = 6
        # The sun at this height and lower matters.
        LOW_SUN_DEG = 35.0

        # `why` are what it is best for.
        Proposed = Value.define(:flown, :why)

        # @param day [Day], @param spot [Sites::Spot]
        def initialize(day, spot)
          @day = day
          @spot = spot
        end

        # @return [Array<Proposed>] with FlownApproach
        def approaches
          flyable = all_approaches.select { |one| one.angle_deg.value }
          chosen(flyable, 'into_wind' => -> { into_wind(flyable) }, 'clearest' => -> { clearest(flyable) },
                          'best_escape' => -> { best_escape(flyable) }, 'sun_behind' => -> { sun_behind(flyable) })
        end

        # @return [Array<Proposed>] with FlownDeparture
        def departures
          possible = all_departures.reject { |one| one.sight.unknown.any? }
          chosen(possible, 'into_wind' => -> { into_wind(possible) }, 'clearest' => -> { clearest(possible) },
                           'sun_behind' => -> { sun_behind(possible) })
        end

        private

        def chosen(all, rules)
          return [] if all.empty?

          found = rules.filter_map { |why, rule| rule.call&.then { |one| [one, why] } }
          found.group_by(&:first).map { |one, pairs| Proposed.new(flown: one, why: pairs.map(&:last)) }
        end

        def all_approaches = @all_approaches ||= COURSES_DEG.map do |deg|
          start = @spot.at - (Sites::Plane.step(deg) * LENGTH_M)
          FlownApproach.new(line('approach', deg, [start, @spot.at]), @day)
        end

        def all_departures = @all_departures ||= COURSES_DEG.map do |deg|
          far = @spot.at + (Sites::Plane.step(deg) * LENGTH_M)
          FlownDeparture.new(line('departure', deg, [@spot.at, far]), @day)
        end

        def line(kind, deg, points)
          Sites::Line.new(id: format('%<kind>s-%<deg>03d', kind: kind, deg: deg), kind: kind, points: points,
                          spot: @spot.id, leaves: nil)
        end

        def into_wind(all) = @day.wind && all.max_by { |one| @day.headwind_kt(one.course_deg) }

        # Of the clearest, the one into the wind.
        def clearest(all) = all.min_by { |one| [one.sight.angle.high || 0.0, -headwind(one)] }
        def headwind(one) = @day.headwind_kt(one.course_deg) || 0.0

        def best_escape(all)
          return nil unless @day.wind

          near = all.select(&:inside_limits).min_by(MOST_ESCAPES) { |one| one.angle_needed.high || 0.0 }
          near.max_by { |one| one.escape[0].value || 0.0 }
        end

        def sun_behind(all)
          sun = @day.light.sun or return nil
          return nil unless sun.elevation_deg.between?(0.0, LOW_SUN_DEG)

          all.max_by do |one|
            [sun.off_deg(one.course_deg).abs.round(-1),
             -(one.sight.angle.high || 0.0)]
          end
        end
      end
    end
  end
end
