# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # One way of leaving: what it needs, what it flies, whether it goes.
      #
      # verdict 'possible' judged at the bad end of every height, 'marginal' where only the likely heights are cleared
      # or little power is left, 'not'; `because` names what decides a 'not' or a 'marginal'.
      class DepartureWay
        include Planning::Numbers

        Q = Quantities
        FT = Q::FT

        def initialize(departure)
          @departure = departure
          @day = departure.day
        end

        def verdict = outcome[0]
        def because = outcome[1]
        def climb_angle_needed = sight.angle
        def decides = sight.decides

        # The angle flown to over what decides, or to 50 ft where nothing stands there.
        def climb_angle
          return no_number('deg', missing) if path.empty?

          found = sight.least_clearance(:value) { |along| height_m(along) }
          at, height = found ? [found[2], height_m(found[2])] : first_at(50.0 * FT)
          return no_number('deg', 'no_obstacle') unless at

          number(Math.atan2(height, at) / Q::DEG, 'deg')
        end

        def clearance
          return no_number('ft', missing) if path.empty?

          likely, high, low = %i[value high low].map { |which| sight.least_clearance(which) { |at| height_m(at) } }
          return no_number('ft', 'no_obstacle') unless likely

          number(likely[0] / FT, 'ft', high[0] / FT, [(low || likely)[0], likely[0]].max / FT)
        end

        def avoid_area_s
          rows = path.map { |point| [point.t_s, @day.avoid.inside?(point.height_m / FT, point.ias_kt)] }
          number(rows.each_cons(2).sum { |(t, inside), (after, _)| inside ? after - t : 0.0 }, 's')
        end

        private

        def outcome = @outcome ||= @day.wind ? judged : %w[not no_wind]
        def missing = @day.wind ? because || 'limit' : 'no_wind'

        # Height of the flown path so far after where it lifts, over the spot's ground.
        def height_m(along_m)
          table = path.map { |point| [point.along_m - lift_m, point.height_m] }
          Q.interpolate(rising(table), along_m)
        end

        # Straight up, a place has more than one height: the last counts.
        def rising(table)
          table.each_with_object([]) { |row, kept| row[0] > (kept.last&.first || -1e9) ? kept << row : kept[-1] = row }
        end

        def first_at(height)
          point = path.find { |one| one.height_m >= height }
          point && [[point.along_m - lift_m, 0.1].max, point.height_m]
        end

        # Is everything cleared by what the house keeps, with tops at their likely or their high end?
        def clears?(which, rows = path, lift = lift_m, over = sight)
          table = rising(rows.map { |point| [point.along_m - lift, point.height_m] })
          over.hits_for(which).all? do |hit|
            [*(hit.from_m..hit.to_m).step(BreakOff::CHECK_M), hit.to_m].all? do |at|
              Q.interpolate(table,
                            at) - over.top_m(hit.obstacle, which) >= @day.clearances.over_m(hit.obstacle, at) - 1e-6
            end
          end
        end
      end
    end
  end
end
