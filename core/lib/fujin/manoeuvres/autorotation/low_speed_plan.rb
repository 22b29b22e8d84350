# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Plans a low or zero airspeed autorotation: sink of the near-vertical descent, height to win the glide speed
      # back, and the lowest height at which it may begin.
      class LowSpeedPlan < Planning::ManoeuvrePlan
        def self.declaration = LowSpeedAutorotation

        # Height added to what the model needs, for recognising and starting the recovery.
        RECOGNITION_S = 2.0
        NOSE_DOWN_DEG = -20.0
        DESCENT_FT = 300.0
        # The glide counts as regained so near its speed (docs/reference/boundaries.md).
        GLIDING_WITHIN_KT = 6.0

        private

        def default_height_ft = 2500.0
        def low_speed_kt = @settings['low_speed_kt'].to_f
        def glide_speed_kt = Planning::NeverExceed.capped(@house.glide_speed_kt(@type, trim), @conditions)
        def descent_sink_m_s = @descent_sink_m_s ||= trim.autorotation_sink_m_s(low_speed_kt)

        def recovery
          @recovery ||=
            Flight::SpeedRecovery.new(
              @conditions,
              to_kt: glide_speed_kt,
              from_kt: low_speed_kt,
              disc_pitch_deg: NOSE_DOWN_DEG
            ).run
        end

        # As a recording is measured: until the airspeed is near the glide's.
        def height_to_glide_ft
          near = recovery.rows.find { |row| row.ias_kt >= glide_speed_kt - GLIDING_WITHIN_KT } || recovery.rows.last
          -near.height_m / Q::FT
        end

        # Height needed from the decision to recover until the sink is the glide's again.
        def recovery_height_m = recovery.steady_height_lost_m + (RECOGNITION_S * descent_sink_m_s)

        # Glide, gate and flare still have to fit under the recovery.
        def lowest_start_ft
          (recovery_height_m / Q::FT) + [@house['gate_minimum_ft'], @house.turn_out_ft].max +
            (3.0 * trim.autorotation_sink_m_s(glide_speed_kt) / Q::FT) + DESCENT_FT
        end

        def own_numbers
          glide_sink = trim.autorotation_sink_m_s(glide_speed_kt)
          region = trim.vortex_ring_sinks_m_s(low_speed_kt)
          {
            'entry_height_ft' => number(@height_ft, 'ft'),
            'low_speed_kt' => number(low_speed_kt, 'kt'),
            'descent_sink_fpm' => number(descent_sink_m_s / Q::FPM, 'fpm'),
            'glide_speed_kt' => number(glide_speed_kt, 'kt'),
            'glide_sink_fpm' => number(glide_sink / Q::FPM, 'fpm'),
            'recovery_height_ft' =>
              number(
                recovery.height_lost_m / Q::FT,
                'ft',
                0.96 * recovery.height_lost_m / Q::FT,
                1.08 * recovery.height_lost_m / Q::FT
              ),
            'recovery_steady_height_ft' => number(recovery.steady_height_lost_m / Q::FT, 'ft'),
            'height_to_glide_ft' => number(height_to_glide_ft, 'ft'),
            'recovery_time_s' => number(recovery.reached_s, 's'),
            'recovery_sink_max_fpm' => number(recovery.greatest_sink_m_s / Q::FPM, 'fpm'),
            'lowest_start_height_ft' => number(lowest_start_ft, 'ft'),
            'least_load_factor' => number(recovery.least_load_factor, 'index'),
            'rotor_rpm_on_floor_pct' => try('pct') { trim.floor_rotor_rpm_pct(low_speed_kt) },
            'vortex_ring_sink_fpm' =>
              (
                if region
                  number(region[0] / Q::FPM, 'fpm')
                else
                  no_number('fpm', Text.of('no vortex-ring region at %{low_speed_kt} kt',
                                           low_speed_kt: low_speed_kt.round))
                end
              )
          }
        end

        def gates
          start = [lowest_start_ft - DESCENT_FT, 0].max
          [
            Planning::Gate.new(
              id: 'recover', over: 'entry',
              height_ft: start,
              along_ft: nil,
              measures: {},
              text: 'nose down by here, whatever else is going on'
            ),
            Planning::Gate.new(
              id: 'gate',
              height_ft: [@house['gate_minimum_ft'].to_f, @house.turn_out_ft].max,
              along_ft: nil,
              text: 'glide speed, rotor rpm, line; or power, throttle first',
              measures: {
                'gate_ias_kt' => held('gate_ias_kt', 'kt', { 'gate_speed_kt' => glide_speed_kt })
              }
            )
          ]
        end

        # Down the column, the recovery, then the glide to the gate.
        def path
          @path ||=
            begin
              sink = descent_sink_m_s
              column = DESCENT_FT * Q::FT / sink
              head = headwind_kt * Q::KT
              down =
                (0..column.ceil).map do |t|
                  point(
                    t.to_f,
                    -head * t / Q::FT,
                    @height_ft - (sink * t / Q::FT),
                    low_speed_kt,
                    low_speed_kt - headwind_kt,
                    sink / Q::FPM,
                    :descent
                  )
                end
              down + won_back(down.last) + glide_down(down.last)
            end
        end

        def won_back(from)
          recovery
            .rows
            .each_slice(10)
            .map(&:first)
            .drop(1)
            .map { |row| point_after(from, row, :recovery) }
        end

        def glide_down(from)
          last = recovery.rows.last
          along = from.along_ft + ((last.ahead_m - (headwind_kt * Q::KT * last.t_s)) / Q::FT)
          height = from.height_ft + (last.height_m / Q::FT)
          sink = trim.autorotation_sink_m_s(glide_speed_kt)
          ground = groundspeed_kt(@course_deg, glide_speed_kt)
          (1..15)
            .map do |t|
              point(
                from.t_s + last.t_s + t,
                along + (ground * Q::KT * t / Q::FT),
                height - (sink * t / Q::FT),
                glide_speed_kt,
                ground,
                sink / Q::FPM,
                :glide
              )
            end
            .take_while { |p| p.height_ft.positive? }
        end

        def setup =
          setup_before(
            0.0,
            glide_speed_kt,
            Text.of('%{glide_speed_kt} kt glide established above %{height_ft} ft, then the speed is eased off to ' \
              '%{low_speed_kt} kt',
                    glide_speed_kt: glide_speed_kt.round, height_ft: @height_ft.round, low_speed_kt: low_speed_kt.round)
          )

        def charts = [Planning::LimitsMap.sink(@conditions, path: path, autorotation: true)]

        def own_cautions
          found = [
            caution(
              'power_off',
              'caution',
              'Power stays off: power on here makes vortex ring. Recover the speed first, then join.'
            ),
            caution('low_g', 'caution', teetering_text)
          ]
          return found if @height_ft >= lowest_start_ft

          [
            caution(
              'start_height',
              'limit',
              Text.of('Start height %{height_ft} ft, %{lowest_start_ft} ft needed for the recovery today: begin ' \
                'higher.',
                      height_ft: @height_ft.round, lowest_start_ft: lowest_start_ft.ceil(-1))
            ),
            *found
          ]
        end

        def teetering_text
          pushing =
            if @type.fetch('rotor.blades') == 2
              'Two-bladed teetering rotors are never pushed: if it goes light, gently aft first, then stop the roll.'
            else
              'No pushing.'
            end
          Text.of('Ease the nose down: the plan keeps %{least_load_factor} g. %{pushing}',
                  least_load_factor: recovery.least_load_factor.round(2), pushing: pushing)
        end
      end
    end
  end
end
