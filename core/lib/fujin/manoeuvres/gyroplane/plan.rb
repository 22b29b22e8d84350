# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # What the gyroplane's flight exercises share.
      class Plan < Planning::ManoeuvrePlan
        PORPOISING = 'Porpoising: hold the stick still, a little power off, let it settle.'

        private

        def gyro = @gyro ||= @conditions.gyro_trim
        def glide_kt = @type.glide_speed_kt.to_f
        def slow_headings = []
        def solo_dual = Planning::SoloDual.table(@conditions, glide_kt)

        # What kills in gyroplanes.
        def unloaded
          kept = value('least_load_factor')&.then { |g| Text.of(': the plan keeps %{kept} g', kept: g.round(1)) }
          caution(
            'unloaded',
            'caution',
            Text.of('Ease the stick forward, never push%{kept}. An unloaded rotor slows and does not come back.',
                    kept: kept)
          )
        end

        def porpoising = caution('porpoising', 'caution', PORPOISING)

        def glide_numbers
          off = gyro.power_off(glide_kt)
          slow_kt, slow_sink = gyro.minimum_sink
          best_kt, best = gyro.best_glide(headwind_kt: headwind_kt)
          {
            'glide_speed_kt' => number(glide_kt, 'kt'),
            'glide_sink_fpm' => number(off.sink_m_s / Q::FPM, 'fpm'),
            'glide_ratio' => number(true_kt(glide_kt) * Q::KT / off.sink_m_s, 'index'),
            'glide_rotor_rpm_pct' => number(off.rotor_pct, 'pct'),
            'min_sink_fpm' => number(slow_sink / Q::FPM, 'fpm'),
            'min_sink_speed_kt' => number(slow_kt, 'kt'),
            'best_glide_speed_kt' => number(best_kt, 'kt'),
            'best_ground_glide_ratio' => number(best, 'index'),
            'best_glide_ratio' => number(gyro.best_glide.last, 'index'),
            'lowest_level_speed_kt' => try('kt') { gyro.lowest_level_speed_kt },
            'groundspeed_kt' => number(groundspeed_kt(@course_deg, glide_kt), 'kt'),
            'drift_angle_deg' => drift_number
          }
        end

        def drift_number
          drift = drift_deg(@course_deg, glide_kt)
          drift ? number(drift, 'deg') : no_number('deg', 'the wind is stronger than the glide speed')
        end

        def curve(speeds)
          speeds.map do |kt|
            [
              kt.to_f,
              cell { gyro.level(kt).engine_power_w / 1000.0 },
              cell { gyro.level(kt).rotor_pct },
              cell { gyro.power_off(kt).sink_m_s / Q::FPM },
              cell { -gyro.full_power(kt).sink_m_s / Q::FPM }
            ]
          end
        end

        def speed_table(speeds)
          Planning::Table.new(
            id: 'speeds',
            title: 'At each airspeed',
            columns: [
              %w[Airspeed kt],
              ['Level power', 'kw'],
              ['Rotor rpm', 'pct'],
              ['Sink, power off', 'fpm'],
              ['Climb, full power', 'fpm']
            ],
            rows: curve(speeds),
            note: 'Where level power passes what is there, only height buys speed back.'
          )
        end
      end
    end
  end
end
