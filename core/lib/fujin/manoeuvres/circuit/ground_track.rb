# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Circuit
      # The way of a circuit over the ground: its legs end to end with the corners rounded, closing at the spot. For its
      # plan.
      module GroundTrack
        # Points along each leg of the path.
        STEPS = 10
        # Of a leg, no more than so much is taken by the turn at either end.
        CORNER_SHARE = 0.48
        # At the end of the final, over the ground.
        SLOWEST_KT = 3.0

        private

        # Each corner is an arc of the turn's radius over the ground, smaller where the legs are too short for it.
        def path
          @path ||=
            begin
              corners = corner_points
              rows = []
              t = 0.0
              last = nil
              lay(corners) do |along, across, height, leg|
                ground, ias = speeds(leg, along)
                way_m = last ? Math.hypot(along - last[0], across - last[1]) * Quantities::FT : 0.0
                t += way_m / ((last && leg.name == 'final' ? (ground + last[3]) / 2.0 : ground) * Quantities::KT)
                sink = last && t > rows.last.t_s ? (last[2] - height) / (t - rows.last.t_s) * 60.0 : 0.0
                rows << point(t, along, height, ias, ground, sink, leg.name.to_sym, across_ft: across)
                last = [along, across, height, ground]
              end
              rows
            end
        end

        # Ground speed and airspeed: those of the leg, but a helicopter slows down on the final, the house's way, from
        # where the angle is met.
        def speeds(leg, along_ft)
          ground = leg_groundspeed(leg)
          return [ground, leg.ias_kt] unless leg.name == 'final' && @type.helicopter?

          from_ft = leg.length_ft - cut(legs[-2], leg)
          slowed = [ground * @house.approach_speed_share((-along_ft / from_ft).clamp(0.0, 1.0)), SLOWEST_KT].max
          [slowed, ias_for_groundspeed(slowed)]
        end

        # Along, across and height at the start and the end of each leg, the circuit closing at the spot.
        def corner_points
          at = [0.0, 0.0, 0.0]
          points =
            [at] +
            legs.map do |leg|
              angle = Quantities.wrap_deg(leg.track_deg - @course_deg) * Quantities::DEG
              at = [
                at[0] + (leg.length_ft * Math.cos(angle)),
                at[1] + (leg.length_ft * Math.sin(angle)),
                leg.height_ft
              ]
            end
          points.map { |along, across, height| [along - at[0], across - at[1], height] }
        end

        def lay(corners)
          legs.each_with_index do |leg, i|
            from = corners[i]
            to = corners[i + 1]
            following = corners[i + 2]
            begin_cut = i.zero? ? 0.0 : cut(legs[i - 1], leg) / leg.length_ft
            end_cut = following ? cut(leg, legs[i + 1]) / leg.length_ft : 0.0
            (0..STEPS).each do |k|
              yield(*between(from, to, begin_cut + ((1.0 - begin_cut - end_cut) * k / STEPS)), leg)
            end
            if following
              round(from, to, following, end_cut, cut(leg, legs[i + 1]) / legs[i + 1].length_ft) do |*place|
                yield(*place, leg)
              end
            end
          end
        end

        # How much of a leg its corner takes, ft.
        def cut(leg, following) =
          [radius_ft(leg.ias_kt), CORNER_SHARE * leg.length_ft, CORNER_SHARE * following.length_ft].min

        def between(from, to, share) = from.zip(to).map { |a, b| a + ((b - a) * share) }

        # A quarter turn between two legs, drawn as the curve that touches both.
        def round(from, corner, to, end_cut, begin_cut)
          first = between(from, corner, 1.0 - end_cut)
          last = between(corner, to, begin_cut)
          (1...STEPS).each do |k|
            s = k.fdiv(STEPS)
            yield(*between(between(first, corner, s), between(corner, last, s), s))
          end
        end
      end
    end
  end
end
