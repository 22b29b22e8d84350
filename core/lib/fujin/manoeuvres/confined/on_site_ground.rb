# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # Where the aircraft is on a site, sample by sample: metres north and east of its middle, and how that lies to the
      # usable ground.
      class OnSiteGround
        # @param signals [Recordings::Signals] with latitude and longitude, @param site [Sites::Site]
        def initialize(signals, site)
          @signals = signals
          @site = site
        end

        # @return [Complex, nil] nil in a gap
        def at(index)
          lat = @signals[:lat][index]
          lon = @signals[:lon][index]
          lat.nan? || lon.nan? ? nil : Complex(*@site.map.north_east(lat, lon))
        end

        # Distance to the edge of the ground, + inside it, m; nil in a gap.
        def inside_m(index)
          point = at(index) or return nil
          edges = @site.rings.flat_map { |ring| Sites::Plane.edges(ring) }
          away = edges.map { |a, b| Sites::Plane.to_segment(point, a, b) }.min
          @site.usable?(point) ? away : -away
        end

        def beside?(index, metres) = inside_m(index)&.>=(-metres) || false
        def near?(index, metres) = at(index)&.then { |point| point.abs <= metres } || false

        # Height over every top abeam the aircraft within so much of its place, its top at the high end; what is
        # nearer to the spot than the room there is the room's business.
        # @param height_m [Float] of the aircraft over the ground at the spot, @param spot [Sites::Spot]
        # @param clearances [Sites::Clearances]
        # @return [Array<Over>]
        def over_tops(index, height_m, spot:, clearances:)
          point = at(index)
          way = direction(index)
          return [] if point.nil? || way.nil? || (point - spot.at).abs < clearances.half_width_m

          aside = way * Complex(0, clearances.half_width_m)
          tops = @site.standing.select { |one| one.stands? && one.top && abeam?(one, point - aside, point + aside) }
          tops.map do |one|
            Over.new(height_m: height_m - (one.top.high - spot.ground_m), obstacle: one,
                     kept_m: [clearances.over_m(one, (point - spot.at).abs), 0.0].max)
          end
        end
        # Height over a top, and what the house keeps there, m.
        Over = Value.define(:height_m, :obstacle, :kept_m)
        # Samples lie so far apart at most, m.
        ABEAM_M = 2.0

        private

        def abeam?(one, left, right) = one.distance_from_stretch_m(left, right) - one.place_m <= ABEAM_M

        # The way over the ground, a metre long; nil standing still.
        def direction(index)
          from = at([index - 1, 0].max)
          to = at([index + 1, @signals.size - 1].min)
          way = from && to && (to - from)
          way && way.abs > 0.05 ? way / way.abs : nil
        end
      end
    end
  end
end
