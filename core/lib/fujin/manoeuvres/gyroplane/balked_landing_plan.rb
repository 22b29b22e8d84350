# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Balked landing: power from low down.
      class BalkedLandingPlan < Plan
        # To be left between the wheels and the ground where it is called. Chosen.
        SPARE_FT = 5.0

        def self.declaration = GyroBalkedLanding

        private

        def default_height_ft = 50.0
        def height_range_ft = [10, 200]
        def climb_kt = @type.fetch('speeds_kt.climb').to_f

        # Height lost until the engine gives full thrust and the sink has turned, at the glide speed.
        def sink_through_m
          sink = gyro.power_off(glide_kt).sink_m_s
          climb = -gyro.full_power(glide_kt).sink_m_s
          delay = @house['gate_throttle_s'] + @type.fetch('engine.lag_s')
          change = 1.5
          (sink * delay) + (climb.positive? ? (sink * change * sink / (sink + climb) / 2.0) : sink * change)
        end

        def own_numbers
          climb = try('fpm') { -gyro.full_power(climb_kt).sink_m_s / Q::FPM }
          glide_numbers.merge(
            'entry_height_ft' => number(@height_ft, 'ft'),
            'recovery_height_ft' => number(sink_through_m / Q::FT, 'ft'),
            'climb_fpm' => climb,
            'climb_speed_kt' => number(climb_kt, 'kt'),
            'climb_angle_deg' =>
              if climb.value
                number(Math.atan2(climb.value * Q::FPM, groundspeed_kt(@course_deg, climb_kt) * Q::KT) / Q::DEG, 'deg')
              else
                no_number('deg', climb.reason)
              end
          )
        end

        def path
          sink = gyro.power_off(glide_kt).sink_m_s
          away = gyro.full_power(climb_kt)
          climb = [-away.sink_m_s, 0.0].max
          ground = groundspeed_kt(@course_deg, glide_kt)
          gliding_pct = gyro.power_off(glide_kt).rotor_pct
          last_ft = 2.0 * ground * Q::KT / Q::FT
          climb_ground = groundspeed_kt(@course_deg, climb_kt)
          low = [@height_ft - (sink_through_m / Q::FT), 1.0].max
          down =
            (0..4).map do |i|
              point(
                i.to_f - 4.0,
                (i - 4.0) * ground * Q::KT / Q::FT,
                @height_ft + ((4 - i) * sink / Q::FT),
                glide_kt,
                ground,
                sink / Q::FPM,
                :descent,
                rotor_rpm_pct: gliding_pct
              )
            end
          up =
            (1..12).map do |t|
              point(
                t + 2.0,
                last_ft + (t * climb_ground * Q::KT / Q::FT),
                low + (climb * t / Q::FT),
                climb_kt,
                climb_ground,
                -climb / Q::FPM,
                :climb,
                rotor_rpm_pct: away.rotor_pct
              )
            end
          level = point(2.0, last_ft, low, glide_kt, ground, 0.0, :recovery, rotor_rpm_pct: gliding_pct)
          [*down, level, *up]
        end

        def setup =
          setup_before(path.first.along_ft, glide_kt,
                       Text.of('Approach at %{glide_kt} kt; the instructor calls the go-around',
                               glide_kt: glide_kt.round))

        def tables = [speed_table([25, 30, 40, 50, 60]), solo_dual]

        def own_cautions
          lost = value('recovery_height_ft')
          found = [
            caution(
              'balked',
              'caution',
              'Power, hold the attitude, pedal against the torque. Climb once climb speed is there.'
            ),
            unloaded
          ]
          return found if lost < @height_ft - SPARE_FT

          [
            caution(
              'too_low',
              'limit',
              Text.of('From %{height_ft} ft %{it_touches}: %{lost} ft are lost before it climbs. Call it at ' \
                '%{call_at} ft or above.',
                      height_ft: @height_ft.round, it_touches: lost < @height_ft ? 'it all but touches' : 'it touches',
                      lost: lost.round, call_at: (lost + SPARE_FT).ceil(-1))
            ),
            *found
          ]
        end
      end
    end
  end
end
