# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Departure
      # A normal take-off at the power that hovers in ground effect.
      class HoverPowerTakeOffPlan < Plan
        def self.declaration = HoverPowerTakeOff

        private

        def wanted_power_w = trim.hover_power_w(height_m: @house['hover_height_ft'] * Q::FT)

        # Low until past translational lift, then clear of the low-speed avoid area.
        def profile_ft(kt)
          low = [start_height_ft, @house['hover_height_ft'].to_f].max
          kt < 30.0 ? low : low + ((kt - 30.0) / [climb_speed_kt - 30.0, 1.0].max * 45.0)
        end
      end
    end
  end
end
