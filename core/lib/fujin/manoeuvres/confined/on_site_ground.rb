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

        # Height over every top within so much of the aircraft's place, less the top at its high end, least first.
        # @param height_m [Float] of the aircraft over the ground at the spot, @param ground_m [Float] of that over the
        #   datum
        # @return [Array(Float, Sites::Obstacle), nil] metres and what it is over; nil where nothing is near
        def over_tops(index, height_m, ground_m:, within_m:, beyond_m:, spot:)
          point = at(index) or return nil
          return nil if (point - spot).abs < beyond_m

          tops = @site.standing.select do |one|
            one.stands? && one.top && one.distance_m(point) - one.place_m <= within_m
          end
          tops.map { |one| [height_m - (one.top.high - ground_m), one] }.min_by(&:first)
        end
      end
    end
  end
end
