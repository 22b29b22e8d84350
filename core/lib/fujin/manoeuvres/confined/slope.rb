# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # The ground's slope against what the type stands on, and the angle left before it would roll about a skid.
      class Slope
        include Planning::Numbers

        # @param day [Day]
        def initialize(day)
          @site = day.site
          @type = day.type
        end

        def slope = number(@site.slope_deg, 'deg')
        def limit_deg = @type.slope_limit_deg
        def within? = @site.slope_deg <= limit_deg

        def rollover_margin
          left = @type.rollover_margin_deg(@site.slope_deg)
          left ? number(left, 'deg') : no_number('deg', 'not_known')
        end
      end
    end
  end
end
