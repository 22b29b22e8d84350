# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Departure
      # A maximum-performance take-off: all the power there is, up first, forward speed later.
      class MaximumPerformancePlan < Plan
        def self.declaration = MaximumPerformanceTakeOff

        CLIMB_TO_FT = 1000.0
        # How far the disc is tilted to speed up, degrees, and the height of going straight up first, ft. Chosen.
        STEADY_TILT_DEG = 6.0
        CLEAR_OF_THE_GROUND_FT = 10.0

        private

        def wanted_power_w = trim.power_available_w
        # As high as there is room for until the speed is there: what the power gives beyond speeding up is climb.
        def profile_ft(_kt) = CLIMB_TO_FT

        # The disc is tilted steadily from the start, as far as the power speeds up; the rest climbs.
        def acceleration_m_s2(spare, true_speed, _speed, height)
          return 0.0 if height < CLEAR_OF_THE_GROUND_FT

          momentum = @conditions.mass_kg * [true_speed, SLOWEST_M_S].max
          (spare / momentum).clamp(0.0, tilted(STEADY_TILT_DEG))
        end

        # High up and slow there is no stopping: what is still possible is said.
        def stop_gate
          over = path.find { |p| p.ias_kt >= performance.translational_lift_kt } || path.last
          Planning::Gate.new(
            id: 'stop',
            height_ft: over.height_ft,
            along_ft: over.along_ft,
            measures: {},
            text: 'still climbing here; if not, ease the collective down and land ahead while there is room'
          )
        end

        def own_cautions
          [
            caution(
              'droop',
              'caution',
              'Rotor rpm falls with full power on: collective down a little, never more. Hover power checked and the ' \
                'height to give it up at said aloud before lift-off.'
            ),
            *super
          ]
        end

        # The line from where it lifts off to the obstacle's top, and the airspeed there.
        def own_numbers
          over = path.find { |p| p.height_ft >= @settings['obstacle_ft'].to_f }
          super.merge(
            'vertical_climb_fpm' => try('fpm') { performance.climb_m_s(0.0) / Q::FPM },
            'climb_angle_deg' => if over
                                   number(angle_deg(over),
                                          'deg')
                                 else
                                   no_number('deg', 'the obstacle is not cleared')
                                 end,
            'climb_angle_speed_kt' => over ? number(over.ias_kt, 'kt') : no_number('kt', 'the obstacle is not cleared')
          )
        end

        def angle_deg(over) = Math.atan2(over.height_ft - start_height_ft, over.along_ft) / Q::DEG
      end
    end
  end
end
