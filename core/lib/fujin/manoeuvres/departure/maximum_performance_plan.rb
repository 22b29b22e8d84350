# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Departure
      # A maximum-performance take-off: all the power there is, up first, forward speed later.
      class MaximumPerformancePlan < Plan
        def self.declaration = MaximumPerformanceTakeOff

        private

        def wanted_power_w = trim.power_available_w
        # Straight up a little, then on the steepest line the power gives.
        def profile_ft(kt) = kt < 40.0 ? @settings['obstacle_ft'] * (0.15 + (0.85 * kt / 40.0)) : 300.0

        def own_numbers
          steepest = (0..40).step(5).filter_map { |kt| angle_at(kt.to_f) }.max_by(&:first)
          vertical = try('fpm') { performance.climb_m_s(0.0) / Q::FPM }
          super.merge(
            'vertical_climb_fpm' => vertical,
            'climb_angle_deg' => steepest ? number(steepest[0], 'deg') : no_number('deg', 'no climb at any speed'),
            'climb_angle_speed_kt' => steepest ? number(steepest[1], 'kt') : no_number('kt', 'no climb at any speed')
          )
        end

        def angle_at(kt)
          climb = performance.climb_m_s(kt)
          ground = [groundspeed_kt(@course_deg, kt), 0.5].max * Q::KT
          climb.positive? ? [Math.atan2(climb, ground) / Q::DEG, kt] : nil
        rescue OutsideModel
          nil
        end
      end
    end
  end
end
