# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # The two looks at a site: the orbit of the high one, and the low pass along a line with its own way out.
      class Reconnaissance
        include Planning::Numbers

        Q = Quantities
        FT = Q::FT
        # The orbit's least height over the ground, and over the highest top around, ft. Chosen: high enough to glide
        # out of, low enough to see a pole.
        OVER_GROUND_FT = 500.0
        OVER_TOPS_FT = 300.0
        AROUND_M = 500.0
        BANK_DEG = 15.0
        POINTS = 24
        # The low pass keeps this much over what stands under the line, and over the ground beside it, ft.
        PASS_OVER_GROUND_FT = 50.0
        # Where the pilot sits, unless the type says otherwise.
        SEAT = 'right'

        # @param day [Day], @param approach [FlownApproach, nil] the line that the low pass follows
        def initialize(day, approach)
          @day = day
          @approach = approach
        end

        # The site on the pilot's side.
        def side = @day.type.optional('cockpit.pilot_seat', SEAT)

        # Over the site's ground.
        def orbit_height
          tops = @day.site.standing.select { |one| one.stands? && one.top && one.distance_m(Complex(0, 0)) <= AROUND_M }
          ground = @day.site.relief ? @day.kept(:highest) { @day.site.relief.highest_m(AROUND_M) } : 0.0
          highest = [*tops.map { |one| one.top.high }, ground].max / FT
          number(([OVER_GROUND_FT, highest + OVER_TOPS_FT].max / 10.0).ceil * 10.0, 'ft')
        end

        # At the bank that is flown with the wind behind: there the turn is widest.
        def orbit_radius
          return no_number('ft', 'no_wind') unless @day.wind

          ground = (@day.conditions.atmosphere.true_speed(speed_kt) + @day.wind.speed_kt) * Q::KT
          number((ground**2) / (Q::G * Math.tan(BANK_DEG * Q::DEG)) / FT, 'ft')
        end

        # Share of the orbit from which ground is reached if the engine quits.
        def orbit_escape = @orbit_escape ||= @day.kept(:orbit) { escape_found }

        # Over the spot's ground: over everything under the line by what is kept under way.
        def pass_height = @pass_height ||= height_found

        # What the way out of the low pass has over what stands beyond, begun over the spot at the latest.
        def pass_clearance = @pass_clearance ||= clearance_found

        # Climb speed: fast enough to glide, slow enough to look.
        def speed_kt = @speed_kt ||= @day.type.fetch('speeds_kt.climb').to_f

        private

        def escape_found
          radius = orbit_radius
          return no_number('pct', radius.reason) unless radius.value

          found = orbit_points(radius.value * FT).map do |at, course|
            @day.engine_failure.from(at, height_m: orbit_height.value * FT, ias_kt: speed_kt, course_deg: course)
          end
          number(100.0 * found.count('reached') / found.size, 'pct')
        rescue OutsideModel => e
          no_number('pct', e.message)
        end

        def height_found
          return no_number('ft', 'no_line') unless @approach
          if @approach.sight.unknown.any?
            return no_number('ft', "not_known: #{@approach.sight.unknown.join(', ')}")
          end

          kept = @approach.sight.hits_for(:high).map do |hit|
            over = hit.obstacle.wire? ? @day.clearances.wire_m : @day.clearances.under_way_m
            (@approach.sight.top_m(hit.obstacle) + over) / FT
          end
          number(([PASS_OVER_GROUND_FT, *kept].max / 10.0).ceil * 10.0, 'ft')
        end

        def clearance_found
          height = pass_height
          return height unless height.value
          return no_number('ft', 'no_wind') unless @day.wind

          over = away(height.value * FT)
          over ? number(over / FT, 'ft') : no_number('ft', 'no_obstacle')
        rescue OutsideModel => e
          no_number('ft', e.message)
        end

        def orbit_points(radius_m)
          turn = side == 'right' ? 90.0 : -90.0
          (0...POINTS).map do |i|
            bearing = 360.0 * i / POINTS
            [Sites::Plane.step(bearing) * radius_m, (bearing + turn) % 360.0]
          end
        end

        def away(height_m)
          beyond = @approach.beyond
          far = beyond.sight.hits_for(:high).map(&:to_m).max or return nil
          headwind = @day.headwind_along(@approach.spot.ground_m) do |along_m|
            [beyond.corridor.at([along_m, 0.0].max), beyond.corridor.course_deg([along_m, 0.0].max)]
          end
          climb = ClimbAway.new(@day.conditions, speed_kt: speed_kt, headwind: headwind)
          state = ClimbAway::State.new(along_m: 0.0, height_m: height_m, ias_kt: speed_kt, sink_m_s: 0.0)
          points = climb.fly(state) { |point| point.along_m > far }
          table = points.map { |point| [point.along_m, point.height_m] }
          beyond.sight.least_clearance(:high) { |along_m| Q.interpolate(table, along_m) }&.first
        end
      end
    end
  end
end
