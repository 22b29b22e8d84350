# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # The ground's slope against what the type stands on: the angle left before it would roll about a skid.
      class Slope
        include Planning::Numbers

        USUAL_LIMIT_DEG = 5.0
        # Kept in hand for a disc that is not level, degrees.
        HAND_DEG = 5.0

        # @param day [Day]
        def initialize(day)
          @site = day.site
          @type = day.type
        end

        def slope = number(@site.slope_deg, 'deg')
        def limit_deg = @type.optional('airframe.slope_limit_deg', USUAL_LIMIT_DEG).to_f
        def within? = @site.slope_deg <= limit_deg

        # Static angle of tipping about the downhill skid, less the slope and what is kept in hand. Geometry: half the
        # track over the height of the centre of gravity.
        def rollover_margin
          track = @type.optional('airframe.skid_track_m')
          height = @type.optional('airframe.cg_height_m')
          return no_number('deg', 'not_known') unless track && height

          number((Math.atan2(track / 2.0, height) / Quantities::DEG) - @site.slope_deg - HAND_DEG, 'deg')
        end
      end
    end
  end
end
