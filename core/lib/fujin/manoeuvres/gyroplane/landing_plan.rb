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
        TOUCHDOWN_KT = 28.0

        private

        def default_height_ft = 500.0
        def height_range_ft = [100, 3000]
        def ending = 'touchdown'
        def ladder_pct = @house['gyro_landings'] == 'power_off_early' ? LADDER_PCT.reverse : LADDER_PCT
        def power_pct = (@settings['power_share_pct'] || (@stage == 'early' ? ladder_pct.first : 0)).to_f
        def with_power(pct) = gyro.with_thrust(glide_kt, pct / 100.0 * gyro.full_thrust_n(glide_kt))
        def descent = @descent ||= with_power(power_pct)
        def round_out_ft = @type.flare_height_ft.to_f
        def ground_m_s = groundspeed_kt(@course_deg, glide_kt) * Q::KT

        # What is left over the ground at touchdown, kt.
        def touchdown_groundspeed_kt = [groundspeed_kt(@course_deg, TOUCHDOWN_KT), 0.0].max

        # The flare takes the glide's speed off evenly, level, at about a fifth of g.
        def flare_ft
          from = ground_m_s
          to = touchdown_groundspeed_kt * Q::KT
          (from - to) / 1.9 * (from + to) / 2.0 / Q::FT
        end

        def own_numbers
          if ground_m_s < 3.0
            raise OutsideModel,
                  "#{(ground_m_s / Q::KT).round} kt of ground speed are left against this wind: no landing is planned"
          end

          sinking = descent.sink_m_s
          unless sinking > 0.3
            raise OutsideModel,
                  "with #{power_pct.round} % power it does not descend at #{glide_kt.round} kt: less power"
          end

          down = (@height_ft - round_out_ft) * Q::FT / sinking * ground_m_s / Q::FT
          glide_numbers.merge(
            'entry_height_ft' => number(@height_ft, 'ft'),
            'entry_distance_ft' => number(down + flare_ft, 'ft'),
            'power_share_pct' => number(power_pct, 'pct'),
            'descent_sink_fpm' => number(sinking / Q::FPM, 'fpm'),
            'approach_angle_deg' => number(Math.atan2(sinking, ground_m_s) / Q::DEG, 'deg'),
            'flare_height_ft' => number(round_out_ft, 'ft'),
            'touchdown_ias_kt' => number(TOUCHDOWN_KT, 'kt'),
            'touchdown_groundspeed_kt' => number(touchdown_groundspeed_kt, 'kt'),
            'slide_ft' => number(roll_ft(BRAKE), 'ft'),
            'free_roll_ft' => number(roll_ft(ROLLING), 'ft'),
            'go_around_climb_fpm' => try('fpm') { -gyro.full_power(glide_kt).sink_m_s / Q::FPM }
          )
        end

        def roll_ft(friction) = ((touchdown_groundspeed_kt * Q::KT)**2) / (2.0 * (friction + ROLLING) * Q::G) / Q::FT

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

        def round_out(from)
          seconds = 2.0 * flare_ft * Q::FT / ((ground_m_s / Q::KT) + touchdown_groundspeed_kt) / Q::KT
          (1..8).map do |i|
            share = i / 8.0
            kt = glide_kt + ((TOUCHDOWN_KT - glide_kt) * share)
            ground = (ground_m_s / Q::KT) + ((touchdown_groundspeed_kt - (ground_m_s / Q::KT)) * share)
            gone = ((ground_m_s / Q::KT) + ground) / 2.0 * Q::KT * seconds * share / Q::FT
            point(
              from.t_s + (seconds * share),
              from.along_ft + gone,
              round_out_ft * ((1.0 - share)**2),
              kt,
              ground,
              from.sink_fpm * (1.0 - share),
              :flare,
              rotor_rpm_pct: from.rotor_rpm_pct
            )
          end
        end

        def gates
          speed = { target: glide_kt, low: glide_kt - 5, high: glide_kt + 7, unit: 'kt' }
          [
            Planning::Gate.new(
              id: 'decision',
              height_ft: 150.0,
              along_ft: along_at(150.0),
              text: 'speed, line, runway free: or full power and away',
              measures: {
                'ias_kt' => speed
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
            "#{glide_kt.round} kt, #{@height_ft.round} ft, power at #{power_pct.round} %, on the line"
          )

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
                'Rotor brake and stick into wind until it has stopped.'
            ),
            speed_table([20, 30, 40, 50, 60]),
            solo_dual
          ]
        end

        def own_cautions
          [
            caution(
              'behind_curve',
              'caution',
              "Under #{value('lowest_level_speed_kt')&.round || '—'} kt full power does not hold level flight: speed " \
                'comes back only with height.'
            ),
            caution(
              'roll_out',
              'note',
              'Stick back and into wind as it rolls out; prerotate again before the next take-off after a full stop.'
            )
          ]
        end
      end
    end
  end
end
