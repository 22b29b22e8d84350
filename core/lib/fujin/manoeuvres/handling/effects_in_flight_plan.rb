# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # One control at a time in level flight: the speed and power it is trimmed for, what each control does first and
      # what follows, and the hand-over ladder.
      class EffectsInFlightPlan < Planning::ManoeuvrePlan
        def self.declaration = EffectsInFlight

        # How long each hand-over is to be held, by stage, s. Chosen.
        HOLDS_S = { 'early' => 20.0, 'solo' => 30.0, 'test' => 45.0, 'instructor' => 60.0 }.freeze
        # High enough to give everything back and start again. Chosen.
        HEIGHT_FT = 1500.0
        # A change that is felt, and that can be shown the other way too.
        CLIMB_FPM = 300.0
        FASTER_KT = 10.0

        private

        def default_height_ft = HEIGHT_FT
        def height_range_ft = [500, 10_000]
        def slow_headings = []
        # Between the climb and the cruise: everything answers, nothing is near a limit.
        def level_kt = (@type.fetch('speeds_kt.climb') + @type.fetch('speeds_kt.cruise')) / 2.0
        def helicopter? = @type.helicopter?

        def own_numbers
          {
            'entry_height_ft' => number(@height_ft, 'ft'),
            'level_speed_kt' => number(level_kt, 'kt'),
            'level_power_kw' => number(performance.level_power_w(level_kt) / 1000.0, 'kw'),
            'climb_step_fpm' => number(CLIMB_FPM, 'fpm'),
            'climb_step_power_kw' => try('kw') { performance.power_w(level_kt, -CLIMB_FPM * Q::FPM) / 1000.0 },
            'nose_down_height_ft' => number(nose_down_m / Q::FT, 'ft'),
            'hold_time_s' => number(HOLDS_S.fetch(@stage), 's'),
            'height_band_ft' => number(limit('level_height_max_ft'), 'ft'),
            'speed_band_kt' => number(limit('level_ias_max_off_kt'), 'kt'),
            'heading_band_deg' => number(limit('level_heading_max_deg'), 'deg')
          }
        end

        def limit(measure_id) = @standard.band(measure_id, @stage, {}).in[1]

        # What the nose alone pays with: the energy of the speed gained, nothing lost to drag.
        def nose_down_m
          slow, fast = [level_kt, level_kt + FASTER_KT].map { |kt| true_kt(kt) * Q::KT }
          ((fast**2) - (slow**2)) / (2.0 * Q::G)
        end

        def path = level_path([[0.0, level_kt], [HOLDS_S.fetch(@stage), level_kt]])

        def setup =
          setup_before(0.0, level_kt,
                       'Level and trimmed, hands light, a mark on the horizon; who has what is said aloud')

        def tables = [effects, ladder]

        def effects =
          Planning::Table.new(
            id: 'effects',
            title: 'What each does',
            columns: [['Control', nil], ['First', nil], ['Then', nil], ['Another hand answers', nil]],
            rows: helicopter? ? helicopter_effects : gyroplane_effects,
            note:
              Text.of('%{faster_kt} kt faster by the nose alone cost at least %{nose_down_height_ft} ft.',
                      faster_kt: FASTER_KT.round, nose_down_height_ft: value('nose_down_height_ft').round)
          )

        # The climb, with what the gauge shows more for it.
        def climbs
          id = %w[climb_step_inhg climb_step_torque_pct].find { |name| value(name) } or return 'climbs'
          entry = Glossary.number(id)
          more = Glossary.figure(value(id), entry.unit, entry.digits)
          Text.of('climbs %{climb_fpm} ft/min for %{amount}%{gauge} more',
                  climb_fpm: CLIMB_FPM.round, amount: more, gauge: (' of torque' if entry.unit == 'pct'))
        end

        # Which way it swings, and the pedal against it.
        def nose(side, pedal) = [Text.of('nose swings %{side}', side: side), Text.of('%{pedal} pedal', pedal: pedal)]

        def helicopter_effects
          toward, away = @type.clockwise? ? %w[left right] : %w[right left]
          [
            ['cyclic forward', 'nose down', 'speed grows, height goes', 'collective up to hold the height'],
            ['cyclic aft', 'nose up', 'speed goes, height grows', 'collective down'],
            ['cyclic sideways', 'bank', 'turns, and sinks a little', 'collective a little up in a steeper bank'],
            ['collective up', climbs, *nose(toward, @type.power_on_pedal)],
            ['collective down', 'sinks', *nose(away, @type.power_loss_pedal)],
            ['pedals', 'nose swings, sideslip', 'rolls and sinks a little', 'cyclic against the roll']
          ]
        end

        def gyroplane_effects =
          [
            ['stick forward', 'nose down', 'speed grows, height goes', 'power to hold the height'],
            ['stick back', 'nose up', 'speed goes; slower still, it sinks', 'power, and nose down'],
            ['stick sideways', 'bank', 'turns, and sinks a little', 'rudder to keep it balanced'],
            ['throttle open', climbs, 'nose swings with the propeller', 'rudder, then trim'],
            ['throttle closed', 'sinks at the same speed', 'nose swings the other way', 'rudder; stick for the speed'],
            ['rudder', 'nose swings, sideslip', 'drag grows, it sinks', 'stick against the roll']
          ]

        def both(one, other) = Text.of('%{one} and %{other}', one: one, other: other)

        def ladder
          hold = value('hold_time_s')
          first = helicopter? ? %w[cyclic collective pedals] : %w[stick throttle rudder]
          helds = ['speed and heading', 'height', 'balance']
          rows = first.zip(helds).each_with_index.map { |(hands, held), i| [(i + 2).to_f, hands, held, hold / 2.0] }
          Planning::Table.new(
            id: 'hand_over',
            title: 'Hand-over ladder',
            columns: [['Step', nil], ['Student has', nil], ['Holds', nil], %w[For s]],
            rows: [
              [1.0, 'following through', 'nothing: hands light on all three', hold / 2.0],
              *rows,
              [5.0, both(first[0], first[2]), 'speed, heading and balance', hold],
              [6.0, both(first[0], first[1]), 'speed, heading and height', hold],
              [7.0, 'all three, prompted', 'all of it', hold],
              [8.0, 'all three, alone', 'all of it', hold]
            ],
            note: 'A step back at once when a band is left twice.'
          )
        end

        def own_cautions
          [
            caution('hand_over', 'caution',
                    "Who has which control is said and said back each time, and the instructor's hands stay close."),
            *([low_g] if helicopter? && @type.fetch('rotor.blades') == 2),
            *([behind_the_curve] unless helicopter?)
          ]
        end

        def low_g =
          caution('low_g', 'caution',
                  'Cyclic forward is eased, never pushed: a two-bladed rotor without load does not hold the ' \
                    'aircraft. If it gets light: cyclic gently back first, and only then against the roll.')

        def behind_the_curve =
          caution('low_g', 'caution',
                  'Never push over into lightness: the rotor slows at once. Slow, it sinks with the nose up; nose ' \
                    'down first, then power.')
      end
    end
  end
end
