# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # The throttle by hand: how quickly rotor rpm leaves its band, and what each hand does.
      class GovernorOffPlan < Planning::ManoeuvrePlan
        def self.declaration = GovernorOff

        # Power that is missing or too much, of what level flight takes: a hand that is a little behind. Chosen.
        BEHIND = 0.10
        MANUAL_S = 120.0
        JOINING_S = 20.0

        private

        def default_height_ft = 1500.0
        def slow_headings = []
        def speed_kt = @type.fetch('speeds_kt.cruise').to_f

        # A rotor of inertia I at the speed Ω whose power is short by ΔP slows by ΔP / (I Ω), from P = d(½ I Ω²)/dt;
        # as a share of Ω, percent a second.
        def rpm_rate_pct_s
          rotor = trim.rotor
          100.0 * BEHIND * performance.level_power_w(speed_kt) / (rotor.inertia * (rotor.normal_speed**2))
        end

        def own_numbers
          low, high = @type.power_on_band.map(&:to_f)
          warning = @type.low_warning_pct.to_f
          top = @type.absolute_rotor_rpm[1].to_f
          from = @type.optional('engine.governor_from_pct', nil)
          {
            'entry_height_ft' => number(@height_ft, 'ft'),
            'entry_speed_kt' => number(speed_kt, 'kt'),
            'rpm_low_pct' => number(low, 'pct'),
            'rpm_high_pct' => number(high, 'pct'),
            'low_warning_pct' => number(warning, 'pct'),
            'governor_from_pct' =>
              if from
                number(from.to_f,
                       'pct')
              else
                no_number('pct', 'the type file does not say where the governor takes over')
              end,
            'rpm_rate_pct_s' => number(rpm_rate_pct_s, 'pct_s'),
            'to_warning_s' => number([low - warning, 0.0].max / rpm_rate_pct_s, 's'),
            'to_overspeed_s' => number((top - high) / rpm_rate_pct_s, 's')
          }
        end

        def path = level_path([[0.0, speed_kt], [MANUAL_S, speed_kt], [MANUAL_S + JOINING_S, speed_kt]])

        def setup
          setup_before(0.0, speed_kt, 'Level, rotor rpm in the middle of its band, throttle held before the switch')
        end

        def tables
          [
            Planning::Table.new(
              id: 'hands',
              title: 'What each hand does',
              columns: [['When', nil], ['Throttle', nil], ['Collective', nil], ['Not', nil]],
              rows: [
                ['Rotor rpm sinks', 'on a little', 'down a little if it goes on', 'waiting for the warning'],
                ['Rotor rpm climbs', 'off a little', 'leave it, or up a little', 'a large throttle move'],
                ['More power wanted', 'leads', 'follows', 'collective first'],
                ['Less power wanted', 'follows', 'leads', 'throttle first'],
                ['Governor back on', 'bring the rpm to the band, then the switch', 'still',
                 'holding against the governor']
              ],
              note: 'Small, slow throttle moves: the rotor answers late, and chasing it makes it swing.'
            )
          ]
        end

        def own_cautions
          [
            caution(
              'governor',
              'caution',
              Text.of('A tenth of the power missing, rotor rpm falls %{rpm_rate_pct_s} points a second: from ' \
                '%{power_on_band} % to the warning in %{to_warning_s} s.',
                      rpm_rate_pct_s: value('rpm_rate_pct_s').round(1), power_on_band: @type.power_on_band[0],
                      to_warning_s: value('to_warning_s').round(1))
            ),
            caution(
              'overspeed',
              'caution',
              Text.of('Lowering the collective without closing the throttle overspeeds engine and rotor. Absolute ' \
                'limit %{absolute_rotor_rpm} %.',
                      absolute_rotor_rpm: @type.absolute_rotor_rpm[1])
            ),
            caution('governor_back', 'note', back_words)
          ]
        end

        def back_words
          from = value('governor_from_pct')
          return 'Rpm into the band first, then the governor; the hand lets it turn the throttle.' unless from

          Text.of('The governor takes over from %{from} % engine rpm; the hand lets it turn the throttle.',
                  from: from.round)
        end
      end
    end
  end
end
