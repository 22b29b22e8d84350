# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # A steep approach: slower from the start, the speed taken off earlier, the decision before it is lost.
      class SteepApproachPlan < Plan
        def self.declaration = SteepApproach

        SLOW_KT = 30.0

        private

        def default_height_ft = 400.0
        def angle_deg = (@settings['approach_angle_deg'] || @house['steep_angle_deg']).to_f
        def end_height_ft = @house['steep_ending'] == 'surface' ? 0.5 : super
        def ending = @house['steep_ending']
        def start_ias_kt = [0.75 * @type.glide_speed_kt, 45.0].min

        # Down to about 30 kt over the ground on the line, held, then the closing rate to the end; sink never over what
        # is allowed.
        def groundspeed_at_kt(to_go_ft)
          share = (to_go_ft / distance_ft(@height_ft)).clamp(0.0, 1.0)
          hold = @house['hold_30_kt'] == 'long' ? 0.75 : 0.55
          slow = [SLOW_KT, start_groundspeed_kt].min
          wanted = if share > hold then slow + ((start_groundspeed_kt - slow) * (share - hold) / (1.0 - hold))
                   elsif share > 0.33 then slow
                   else
                     slow * Math.sqrt(share / 0.33)
                   end
          [[wanted, allowed_groundspeed_kt].min, LEAST_GROUNDSPEED_KT].max
        end

        # Ground speed at which the angle's sink meets the flat 300 ft/min: slower than 30 kt it must not sink faster.
        def allowed_groundspeed_kt
          @allowed_groundspeed_kt ||= begin
            fits = ->(ground) do
              sink = ground * Q::KT * Math.tan(angle_deg * Q::DEG) / Q::FPM
              sink <= 0.95 * @house.sink_allowed_fpm(ias_for_groundspeed(ground))
            end
            # Everything slower has to fit as well: the approach passes through it.
            (4..70).map(&:to_f).take_while { |kt| fits.call(kt) }.last || LEAST_GROUNDSPEED_KT
          end
        end

        def own_cautions
          steepest = @house['steepest_angle_deg']
          return super unless angle_deg > steepest

          [
            caution(
              'too_steep',
              'limit',
              "#{angle_deg.round(1)}° is over the house limit of #{steepest}°, by #{(angle_deg - steepest).round(1)}°" \
                ': another line or another site.'
            ),
            *super
          ]
        end
      end
    end
  end
end
