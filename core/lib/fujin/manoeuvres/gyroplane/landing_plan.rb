# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Landing: a ladder from power to none.
      class LandingPlan < Plan
        def self.declaration = GyroLanding

        # Power kept on down the ladder, percent of what is there.
        LADDER_PCT = [45, 30, 15, 0].freeze
        BRAKE = 0.35
        ROLLING = TakeOffRoll::ROLLING_FRICTION
        # Touchdown at dual mass where the type file has none, share of the glide speed; a flown flare's end. Chosen.
        TOUCHDOWN_SHARE = 0.54
        # What the flare takes off the speed while it floats: about a fifth of g.
        FLOAT_M_S2 = 1.9
        # Wheels over the ground while it floats, m.
        FLOATING_M = 0.3
        # Step of the ladder that a stage is planned with, where the first landings have power.
        LADDER_STEPS = { 'early' => 0, 'solo' => 1, 'test' => 3, 'instructor' => 3 }.freeze

        private

        def default_height_ft = 500.0
        def height_range_ft = [100, 3000]
        def ending = 'touchdown'
        def ladder_pct = @house['gyro_landings'] == 'power_off_early' ? LADDER_PCT.reverse : LADDER_PCT
        def power_pct = (@settings['power_share_pct'] || house_power_pct).to_f
        def house_power_pct = @house['gyro_landings'] == 'power_first' ? LADDER_PCT[LADDER_STEPS.fetch(@stage)] : 0
        def with_power(pct) = gyro.with_thrust(glide_kt, pct / 100.0 * gyro.full_thrust_n(glide_kt))
        def descent = @descent ||= with_power(power_pct)
        def round_out_ft = @type.flare_height_ft.to_f
        def ground_m_s = groundspeed_kt(@course_deg, glide_kt) * Q::KT

        # The rotor carries the weight down to a speed that grows with its root: lift goes with the square of the speed.
        def touchdown_kt
          at_dual = @type.optional('speeds_kt.touchdown') || (TOUCHDOWN_SHARE * glide_kt)
          (at_dual * Math.sqrt(@conditions.mass_kg / @type.mass_kg('dual'))).clamp(0.0, glide_kt)
        end

        # What is left over the ground at touchdown, kt.
        def touchdown_groundspeed_kt = [groundspeed_kt(@course_deg, touchdown_kt), 0.0].max

        # Seconds in which the glide's speed comes off evenly, and in which the sink does while it rounds out.
        def flare_s = [(true_kt(glide_kt) - true_kt(touchdown_kt)) * Q::KT / FLOAT_M_S2, round_out_s].max
        def round_out_s = 2.0 * ((round_out_ft * Q::FT) - FLOATING_M) / descent.sink_m_s

        def flare_ft = flare_s * (ground_m_s + (touchdown_groundspeed_kt * Q::KT)) / 2.0 / Q::FT

        def own_numbers
          if ground_m_s < 3.0
            raise OutsideModel,
                  Text.of('%{ground_m_s} kt of ground speed are left against this wind: no landing is planned',
                          ground_m_s: (ground_m_s / Q::KT).round)
          end

          sinking = descent.sink_m_s
          unless sinking > 0.3
            raise OutsideModel,
                  Text.of('with %{power_pct} % power it does not descend at %{glide_kt} kt: less power',
                          power_pct: power_pct.round, glide_kt: glide_kt.round)
          end

          down = (@height_ft - round_out_ft) * Q::FT / sinking * ground_m_s / Q::FT
          glide_numbers.merge(
            'entry_height_ft' => number(@height_ft, 'ft'),
            'entry_distance_ft' => number(down + flare_ft, 'ft'),
            'power_share_pct' => number(power_pct, 'pct'),
            'descent_sink_fpm' => number(sinking / Q::FPM, 'fpm'),
            'approach_angle_deg' => number(Math.atan2(sinking, ground_m_s) / Q::DEG, 'deg'),
            'flare_height_ft' => number(round_out_ft, 'ft'),
            'touchdown_ias_kt' => number(touchdown_kt, 'kt'),
            'touchdown_groundspeed_kt' => number(touchdown_groundspeed_kt, 'kt'),
            'slide_ft' => number(roll_ft(BRAKE), 'ft'),
            'free_roll_ft' => number(roll_ft(ROLLING), 'ft'),
            'go_around_climb_fpm' => try('fpm') { -gyro.full_power(glide_kt).sink_m_s / Q::FPM }
          )
        end

        def roll_ft(friction) = rolled_ft(touchdown_groundspeed_kt, friction)
        def rolled_ft(from_kt, friction) = ((from_kt * Q::KT)**2) / (2.0 * (friction + ROLLING) * Q::G) / Q::FT

        def path
          @path ||=
            begin
              sink = descent.sink_m_s
              time = (@height_ft - round_out_ft) * Q::FT / sink
              total = (time * ground_m_s / Q::FT) + flare_ft
              glide =
                (0..20).map do |i|
                  point(
                    time * i / 20,
                    (time * i / 20 * ground_m_s / Q::FT) - total,
                    @height_ft - ((@height_ft - round_out_ft) * i / 20.0),
                    glide_kt,
                    ground_m_s / Q::KT,
                    sink / Q::FPM,
                    :glide,
                    rotor_rpm_pct: descent.rotor_pct
                  )
                end
              glide + round_out(glide.last)
            end
        end

        # The sink comes off evenly down to the floating height, which is held while the speed comes off, and given up
        # at the end.
        def round_out(from)
          seconds = flare_s
          ground_kt = ground_m_s / Q::KT
          (1..FLARE_POINTS).map do |i|
            share = i / FLARE_POINTS.to_f
            ground = ground_kt + ((touchdown_groundspeed_kt - ground_kt) * share)
            height_m, sink_m_s = rounded_out(seconds * share, seconds)
            point(
              from.t_s + (seconds * share),
              from.along_ft + ((ground_kt + ground) / 2.0 * Q::KT * seconds * share / Q::FT),
              height_m / Q::FT,
              glide_kt + ((touchdown_kt - glide_kt) * share),
              ground,
              sink_m_s / Q::FPM,
              :flare,
              rotor_rpm_pct: from.rotor_rpm_pct
            )
          end
        end
        FLARE_POINTS = 16
        private_constant :FLARE_POINTS

        # Height and sink so long after the flare began.
        def rounded_out(t, seconds)
          left = 1.0 - (t / round_out_s)
          if left > 0
            return [FLOATING_M + (((round_out_ft * Q::FT) - FLOATING_M) * left * left),
                    descent.sink_m_s * left]
          end

          settling = [seconds - round_out_s, 1.0].min
          down = settling.positive? ? [(t - seconds + settling) / settling, 0.0].max : 1.0
          [FLOATING_M * (1.0 - (down * down)), settling.positive? ? 2.0 * FLOATING_M * down / settling : 0.0]
        end

        def gates
          [
            Planning::Gate.new(
              id: 'decision',
              height_ft: 150.0,
              along_ft: along_at(150.0),
              text: 'speed, line, runway free: or full power and away',
              measures: {
                'ias_kt' => held('glide_ias_mean_kt', 'kt')
              }
            ),
            Planning::Gate.new(
              id: 'round out',
              height_ft: round_out_ft,
              along_ft: along_at(round_out_ft),
              text: 'eyes far ahead, speed off, nosewheel kept up',
              measures: {}
            )
          ]
        end

        def along_at(height_ft) = path.find { |p| p.height_ft <= height_ft }&.along_ft

        def setup =
          setup_before(
            path.first.along_ft,
            glide_kt,
            Text.of('%{glide_kt} kt, %{height_ft} ft, %{power_words}, on the line',
                    glide_kt: glide_kt.round, height_ft: @height_ft.round, power_words: power_words)
          )

        def power_words = if power_pct.zero?
                            'throttle closed'
                          else
                            Text.of('power at %{power_pct} %', power_pct: power_pct.round)
                          end

        def tables
          rows =
            ladder_pct.each_with_index.map do |pct, i|
              sink = cell { with_power(pct).sink_m_s }
              [(i + 1).to_f, pct.to_f, sink && (sink / Q::FPM), sink && (Math.atan2(sink, ground_m_s) / Q::DEG)]
            end
          [
            Planning::Table.new(
              id: 'ladder',
              title: 'Landing ladder',
              columns: [['Step', nil], %w[Power pct], %w[Sink fpm], ['Angle over ground', 'deg']],
              rows: rows,
              note:
                'Each step counted; a low go-around comes before the first. ' \
                "After the roll: stick into wind until the rotor has stopped; rotor brake only below the type's limit."
            ),
            speed_table([20, 30, 40, 50, 60]),
            solo_dual
          ]
        end

        def behind_curve_text
          slowest = value('lowest_level_speed_kt')
          return 'Full power holds level flight at no speed today: a go-around is not there.' unless slowest

          Text.of('Under %{slowest} kt full power does not hold height: nose down to get speed back.',
                  slowest: slowest.round)
        end

        def own_cautions
          [
            caution(
              'behind_curve',
              'caution',
              behind_curve_text
            ),
            caution(
              'roll_out',
              'note',
              'Stick back until the nosewheel is down by itself and the speed is gone, then forward and into wind: ' \
                'taxi ' \
                'only with a slow rotor. After a full stop prerotate again before the next take-off.'
            ),
            caution('nosewheel', 'caution', 'Pedals straight before the nosewheel comes down.'),
            porpoising
          ]
        end
      end
    end
  end
end
