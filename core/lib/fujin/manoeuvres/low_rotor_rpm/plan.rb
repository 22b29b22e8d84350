# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module LowRotorRpm
      # Plans a low rotor rpm recovery: how long the cues leave, what to do in which regime, and where it becomes too
      # late.
      class Plan < Planning::ManoeuvrePlan
        def self.declaration = LowRotorRpmRecovery

        LONGEST_S = 8.0

        private

        def speed_kt = @house.entry_speed_kt(@type)
        def decay = @decay ||= Flight::RotorDecay.new(@conditions, speed_kt: speed_kt)

        def seconds(kt, *levels) = Flight::RotorDecay.new(@conditions, speed_kt: kt).seconds_to(*levels.map(&:to_f))

        def own_numbers
          warning = @type.low_warning_pct
          lowest = @type.absolute_rotor_rpm[0]
          cruise = seconds(speed_kt, warning, 90, 80, lowest, @type.power_off_band[0])
          hover = seconds(0.0, warning, 90, 80)
          {
            'entry_height_ft' => number(@height_ft, 'ft'),
            'entry_speed_kt' => number(speed_kt, 'kt'),
            'low_warning_pct' => number(warning.to_f, 'pct'),
            'warning_after_s' => time(cruise[0], warning),
            'rotor_decay_to_90_s' => time(cruise[1], 90),
            'rotor_decay_to_80_s' => time(cruise[2], 80),
            'too_late_after_s' => time(cruise[3], lowest),
            'reaction_time_s' => time(cruise[4], @type.power_off_band[0]),
            'hover_warning_after_s' => time(hover[0], warning),
            'hover_decay_to_90_s' => time(hover[1], 90),
            'hover_decay_to_80_s' => time(hover[2], 80),
            'stall_rotor_rpm_pct' => try('pct') { stall_pct }
          }
        end

        def time(value, pct) =
          if value
            number(value, 's')
          else
            no_number('s', Text.of('rotor rpm does not fall to %{pct} % within %{longest_s} s',
                                   pct: pct.round, longest_s: LONGEST_S.round))
          end

        # Rotor rpm at which the blades' loading in level flight reaches what they can carry: it does not come back.
        def stall_pct
          weight = @conditions.mass_kg * Q::G
          top = @type.fetch('rotor.thrust_limit')
          100.0 * Math.sqrt(trim.rotor.loading(weight, trim.rotor.normal_speed, 0.0) / top)
        end

        # Decay with the hands still, then the recovery at the warning: throttle and collective together.
        def path
          @path ||=
            begin
              model = Flight::Model.on(@conditions)
              model.start(height_m: @height_ft * Q::FT, speed_kt: speed_kt, course_rad: 0.0)
              fly(model).tap { model.check_energy }
            end
        end

        def fly(model)
          level = model.collective
          acting = nil
          pitch = model.disc_pitch
          rows = []
          while model.time_s < 14.0
            acting ||= model.time_s + @house.collective_reaction_s if model.rotor_pct < @type.low_warning_pct
            act = acting && model.time_s >= acting
            back = act && model.rotor_pct > 99.5
            down = act && !back ? 2.5 * Q::DEG : 0.0
            model.step(
              Flight::Controls.new(
                pitch + (act && !back ? 3.0 * Q::DEG : 0.0),
                0.0,
                level - down,
                model.torque_share,
                0.0,
                act || false
              )
            )
            rows << row(model, act) if (model.time_s / Flight::Model::STEP_S).round % 10 == 0
            return rows if back
          end
          rows
        end

        def row(model, act)
          kt = ias_of_true_kt(Math.hypot(*model.velocity.first(2)) / Q::KT)
          point(
            model.time_s,
            (model.position[0] - (headwind_kt * Q::KT * model.time_s)) / Q::FT,
            model.position[2] / Q::FT,
            kt,
            true_kt(kt) - headwind_kt,
            -model.velocity[2] / Q::FPM,
            act ? :recovery : :decay,
            rotor_rpm_pct: model.rotor_pct
          )
        end

        def setup =
          setup_before(
            0.0,
            speed_kt,
            'Level, steady, governor on; first shown slowly, so that the early cues can be felt'
          )

        def tables
          [
            Planning::Table.new(
              id: 'regimes',
              title: 'What to do',
              columns: [['Where', nil], ['First', nil], ['Then', nil], ['Not', nil]],
              rows: [
                [
                  'Powered flight', 'throttle on and collective down together', 'aft cyclic as speed allows',
                  'raising the collective'
                ],
                ['Low hover', 'throttle', 'only as much collective down as the height allows', 'aft cyclic'],
                ['Autorotation', 'collective down', 'aft cyclic', 'waiting for the warning']
              ],
              note: 'Cues in order: yaw and a changing note, then the warning.'
            )
          ]
        end

        def charts
          [
            Planning::Chart.new(
              id: 'rotor_rpm',
              title: 'Rotor rpm with the hands still, and the recovery',
              x: Planning::Axis.new(label: 'Time', unit: 's', low: 0.0, high: 8.0),
              y: Planning::Axis.new(label: 'Rotor rpm', unit: 'pct', low: 60.0, high: 106.0),
              areas: [
                Planning::Shape.new(
                  id: 'warning',
                  label: 'under the warning',
                  kind: 'limit',
                  points: [
                    [0.0, @type.absolute_rotor_rpm[0].to_f],
                    [8.0, @type.absolute_rotor_rpm[0].to_f],
                    [8.0, @type.low_warning_pct.to_f],
                    [0.0, @type.low_warning_pct.to_f]
                  ]
                )
              ],
              lines: [],
              track: path.map { |p| [p.t_s, p.rotor_rpm_pct] }
            )
          ]
        end

        def own_cautions
          [
            caution(
              'reaction',
              'caution',
              Text.of('Power loss at %{speed_kt} kt: %{power_off_band} % in %{longest_s} s with the hands still. ' \
                'Throttle on, collective down, together.',
                      speed_kt: speed_kt.round, power_off_band: @type.power_off_band[0],
                      longest_s: value('reaction_time_s')&.round(1) || LONGEST_S.round)
            ),
            caution(
              'low_rpm',
              'caution',
              Text.of('%{gap} s from the warning to %{absolute_rotor_rpm} % at %{speed_kt} kt.%{stall_words}',
                      gap: gap, absolute_rotor_rpm: @type.absolute_rotor_rpm[0], speed_kt: speed_kt.round,
                      stall_words: stall_words)
            ),
            caution(
              'governor',
              'note',
              'Governor off only as briefed; the throttle is joined smoothly and the governor taken back before ' \
                'anything else.'
            )
          ]
        end

        def stall_words
          stall = value('stall_rotor_rpm_pct')
          stall && Text.of(' Below %{stall} % the rotor does not come back.', stall: stall.round)
        end

        def gap
          late = value('too_late_after_s')
          early = value('warning_after_s')
          late && early ? (late - early).round(1) : 'Over 5'
        end
      end
    end
  end
end
