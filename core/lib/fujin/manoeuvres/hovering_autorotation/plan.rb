# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module HoveringAutorotation
      # Plans a hovering autorotation: time to contact, the energy in the rotor, the softest contact there is to be
      # had, the surface, and the ladder by which the throttle is taken off.
      class Plan < Planning::ManoeuvrePlan
        def self.declaration = HoveringAutorotation

        # Friction of skids, and what is thought of the surface.
        SURFACES = [
          ['Smooth hard surface', 0.35, 'preferred: a little forward movement slides'],
          ['Short dry grass', 0.45, 'level and firm only: a skid can dig in and trip'],
          ['Wet grass', 0.25, 'slides easily, and sideways as well'],
          ['Soft or long grass, gravel', 0.6, 'not for this exercise: a skid trips']
        ].freeze
        # Seconds from full to closed throttle, and what the student does.
        LADDER = [
          [8.0, 'holds hover height with collective as the power fades, then lets it settle'],
          [4.0, 'holds heading; settles; cushions'],
          [2.0, 'the same, quicker'],
          [0.5, 'at once: pedal with it, wait, cushion']
        ].freeze

        # Rung that a stage is planned with, where the house begins slowly.
        RUNGS = { 'early' => 0, 'solo' => 2, 'test' => 3, 'instructor' => 3 }.freeze

        FALLS = Kept.new(24)
        private_constant :FALLS

        private

        def default_height_ft = @house['hover_height_ft'].to_f
        def height_range_ft = [1, 15]

        def fall =
          FALLS.fetch([*@conditions.load_key, @height_ft, wind.speed_kt.round]) do
            CushionedFall.new(@conditions, height_m: @height_ft * Q::FT, wind_kt: wind.speed_kt.round.to_f)
          end

        def own_numbers
          fixed = fall.fixed_collective
          best = fall.best_cushion
          energy = 0.5 * trim.rotor.inertia * (trim.rotor.normal_speed**2)
          {
            'hover_height_ft' => number(@height_ft, 'ft'),
            'throttle_reduction_s' => number(throttle_reduction_s, 's'),
            'time_to_contact_s' => number(best.time_s, 's', fixed.time_s, best.time_s),
            'fixed_collective_time_s' => number(fixed.time_s, 's'),
            'fixed_collective_sink_fpm' => number(fixed.sink_m_s / Q::FPM, 'fpm'),
            'contact_sink_fpm' => number(best.sink_m_s / Q::FPM, 'fpm'),
            'pull_at_s' => number(best.pull_at_s, 's'),
            'contact_rotor_rpm_pct' => number(best.rotor_pct, 'pct'),
            'rotor_energy_kj' => number(energy / 1000.0, 'kj'),
            'rotor_energy_s' => number(energy * 0.36 / trim.hover_power_w(height_m: @height_ft * Q::FT), 's')
          }.merge(decay)
        end

        # At once where the house begins so, else by the stage's rung of the ladder.
        def throttle_reduction_s =
          @house['hovering_ladder'] == 'sudden' ? LADDER.last.first : LADDER[RUNGS.fetch(@stage)].first

        def decay
          found = Flight::RotorDecay.new(@conditions, speed_kt: 0.0).seconds_to(90.0, 80.0)
          { 'rotor_decay_to_90_s' => found[0], 'rotor_decay_to_80_s' => found[1] }.transform_values do |s|
            s ? number(s, 's') : no_number('s', "rotor rpm does not fall that far within the model's run")
          end
        end

        def path
          @path ||=
            fall
              .best_cushion
              .rows
              .each_slice(2)
              .map(&:first)
              .map do |t, height, sink, rotor, _|
                point(
                  t,
                  0.0,
                  [height / Q::FT, 0.0].max,
                  headwind_kt.abs,
                  0.0,
                  sink / Q::FPM,
                  t < 0.6 ? :entry : :settle,
                  rotor_rpm_pct: rotor
                )
              end
        end

        def setup
          Planning::SetUp.standing(
            height_ft: @height_ft,
            steady_s: 5.0,
            text:
              Text.of('Steady hover at %{height_ft} ft into wind for 5 s; throttle off in %{throttle_reduction_s} s; ' \
                'who moves it, and how it is kept closed, said aloud',
                      height_ft: @height_ft.round, throttle_reduction_s: format('%g', throttle_reduction_s))
          )
        end

        def tables = [ladder, surfaces]

        def ladder
          steps = @house['hovering_ladder'] == 'sudden' ? LADDER.reverse : LADDER
          Planning::Table.new(
            id: 'throttle_ladder',
            title: 'Throttle ladder',
            columns: [['Step', nil], ['Throttle off in', 's'], ['Student', nil]],
            rows: steps.each_with_index.map { |(seconds, text), i| [(i + 1).to_f, seconds, text] },
            note: 'A step up only after two clean ones. The collective is not lowered.'
          )
        end

        def surfaces
          Planning::Table.new(
            id: 'surfaces',
            title: 'Surface',
            columns: [['Surface', nil], ['Friction', nil], ['For this', nil]],
            rows: SURFACES,
            note: 'Frictions are usual values, not measurements of your field.'
          )
        end

        def charts
          time = Planning::Axis.new(label: 'Time', unit: 's', low: 0.0, high: fall.best_cushion.time_s.ceil.to_f)
          lines = [
            rpm_line('fixed', 'collective left alone', 'plan', fall.fixed_collective),
            rpm_line('best', 'best cushion', 'band', fall.best_cushion)
          ]
          [
            Planning::Chart.new(
              id: 'rotor_rpm',
              title: 'Rotor rpm until contact',
              x: time,
              y: Planning::Axis.new(label: 'Rotor rpm', unit: 'pct', low: 50.0, high: 105.0),
              areas: [],
              lines: lines,
              track: []
            )
          ]
        end

        def rpm_line(id, label, kind, flown)
          Planning::Shape.new(
            id: id,
            label: label,
            kind: kind,
            points: flown.rows.each_slice(3).map { |rows| rows.first.values_at(0, 3) }
          )
        end

        def own_cautions
          [
            caution(
              'collective',
              'caution',
              Text.of('The collective is not lowered. %{power_loss_pedal} pedal with the throttle; let it settle; ' \
                'cushion with what the rotor has left.',
                      power_loss_pedal: @type.power_loss_pedal.capitalize)
            ),
            caution(
              'drift',
              'caution',
              'Slightly forward is fine; sideways and rearward are not: a skid that catches rolls the aircraft over.'
            )
          ] + ground_resonance + along_the_nose
        end

        def along_the_nose
          across = value('crosswind_kt').abs
          if across > 5
            [caution('wind_across', 'caution', Text.of('%{across} kt across the nose: turn into the wind first.',
                                                       across: across.round))]
          else
            []
          end
        end
      end
    end
  end
end
