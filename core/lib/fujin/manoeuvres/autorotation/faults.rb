# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Names the faults of an autorotation, in causal order. A fault is named when its evidence is marginal or out.
      class Faults
        include Grading::FaultFinding
        include BigCheck
        include Grading::ContactFaults

        # What closure's time and the places leave open of where an entry began, ft.
        ENTRY_ROOM_FT = 60.0
        # The collective's level as the power went is read over so long, s.
        AT_CLOSURE_S = 0.4
        # A collective this low has nothing left to lower, percent of its travel.
        ON_THE_STOP_PCT = 1.5
        SPEEDS = %w[glide_ias_mean_kt gate_ias_kt].freeze
        RPMS = %w[glide_rotor_rpm_mean_pct gate_rotor_rpm_pct].freeze

        private

        # A cushion spends the rotor close to the ground: slow there is no limit passed.
        def airborne?(index)
          cushion = @attempt.phase('cushion')
          super && !(cushion && @signals.time(index) >= cushion.start_s)
        end

        def closure = @attempt.event(:closure_s) || @attempt.start_s

        # At the gate only while gliding.
        def bad?(id) = super && !(measure(id).gate? && flaring_at_gate?)

        def planned_entry = @planned_entry ||= PlannedEntry.new(@context, @manoeuvre)
        def flaring_at_gate? = @gate_s && @attempt.phase('flare') && @gate_s > @attempt.phase('flare').start_s

        # Where the entry began against where this wind and height ask for it, when the spot was missed that way.
        def entry_position(id, side)
          return nil unless bad?('miss_along_ft') && @course_deg && @signals.wind

          offset = entry_offset_ft
          return nil unless offset

          width = allowed('miss_along_ft')[1]
          return nil if (offset * side) - ENTRY_ROOM_FT < width
          return nil if offset.positive? != value('miss_along_ft').negative?

          found(
            id,
            Text.of('the entry began %{offset} ft %{side} the spot than planned for this wind and height',
                    offset: offset.abs.round, side: side.positive? ? 'farther from' : 'nearer'),
            ['miss_along_ft'],
            to: closure + 1.0
          )
        end

        def entered_too_far = entry_position('entered_too_far', 1.0)
        def entered_too_close = entry_position('entered_too_close', -1.0)

        # Positive when the entry began too far out.
        def entry_offset_ft
          along, = Grading::AboutSpot.new(@signals, @context.spot, @course_deg).place_at(closure)
          planned = planned_entry.distance_m(@signals.at(:agl, closure), @course_deg, @signals.wind)
          planned && !along.nan? ? -along - (planned / Quantities::FT) : nil
        end

        def late_collective
          return nil unless bad?('collective_delay_s')

          delay = value('collective_delay_s')
          found(
            'late_collective',
            Text.of('collective down %{delay} s after the power went, %{collective_delay_s} s ' \
              'allowed%{lowest_rpm_text}',
                    delay: delay.round(1), collective_delay_s: allowed('collective_delay_s')[1].round(1),
                    lowest_rpm_text: lowest_rpm_text),
            %w[collective_delay_s min_rotor_rpm_pct],
            to: closure + delay
          )
        end

        def lowest_rpm_text
          lowest = value('min_rotor_rpm_pct')
          lowest ? Text.of('; rotor rpm fell to %{lowest} %', lowest: lowest.round(1)) : ''
        end

        # +3 before lowering.
        def raised_collective
          before = @signals.window(:collective, closure - AT_CLOSURE_S, closure)
          return nil if before.empty?

          # What it stood at as the power went: holding a height in gusts moves it a second earlier.
          level = Quantities.median(before)
          after = @signals.window(:collective, closure, closure + 3.0)
          down = after.index { |v| v < level - 3.0 } || after.size
          peak = after.first(down).max
          return nil unless peak && peak > level + 3.0

          found(
            'raised_collective',
            Text.of('collective went up by %{peak} points before it came down', peak: (peak - level).round),
            [],
            to: closure + 3.0
          )
        end

        def lowest_collective
          @lowest_collective ||= @signals.window(:collective, closure, closure + 4.0).min
        end

        # Lowest collective of the first 4 s over 5 % with rotor rpm under target.
        def collective_not_down
          return nil unless lowest_collective && lowest_collective > 5.0

          rpm = @signals.window(:nr, closure + 2.0, closure + 6.0)
          return nil if rpm.empty? || (rpm.sum / rpm.size) >= @context.target_rotor_rpm_pct

          found(
            'collective_not_down',
            Text.of('lowest collective %{lowest_collective} % in the first 4 s, with rotor rpm under ' \
              '%{target_rotor_rpm_pct} %',
                    lowest_collective: lowest_collective.round,
                    target_rotor_rpm_pct: @context.target_rotor_rpm_pct.round),
            ['min_rotor_rpm_pct'],
            to: closure + 6.0
          )
        end

        def yaw_uncorrected
          return nil unless bad?('entry_yaw_deg')

          found(
            'yaw_uncorrected',
            Text.of('the nose swung %{entry_yaw_deg}° within 3 s of the closure',
                    entry_yaw_deg: value('entry_yaw_deg').round),
            ['entry_yaw_deg'],
            to: closure + 3.0
          )
        end

        def nose_dropped
          before = @signals.window(:pitch, closure - 2.0, closure)
          after = @signals.window(:pitch, closure, closure + 4.0)
          return nil if before.empty? || after.empty? || !bad_high?('glide_ias_max_kt')

          drop = Quantities.median(before) - after.min
          return nil unless drop > 6.0

          found(
            'nose_dropped',
            Text.of('pitch fell %{drop}° in the entry and the speed ran to %{glide_ias_max_kt} kt',
                    drop: drop.round, glide_ias_max_kt: value('glide_ias_max_kt').round),
            ['glide_ias_max_kt'],
            to: closure + 4.0
          )
        end

        def slow_glide = off('slow_glide', SPEEDS.select { |id| bad_low?(id) }) { |ids| speed_text(ids) }
        def fast_glide = off('fast_glide', SPEEDS.select { |id| bad_high?(id) }) { |ids| speed_text(ids) }

        def low_rotor_rpm
          off('low_rotor_rpm', RPMS.select { |id| bad_low?(id) }) { |ids| rpm_text(ids) } unless collective_held_down?
        end

        def high_rotor_rpm =
          off(
            'high_rotor_rpm',
            RPMS.select { |id| bad_high?(id) } + ['glide_rotor_rpm_max_pct'].select { |id| bad?(id) }
          ) { |ids| rpm_text(ids) }

        # A fault of the glide, or of another phase, that the measures show, if any do.
        def off(id, ids, phase_id: 'glide') = ids.any? ? found(id, yield(ids), ids, **phase_span(phase_id)) : nil

        def speed_text(ids)
          ids
            .map do |id|
              Text.of('%{where} %{kt} kt against %{target} kt',
                      where: id.start_with?('gate') ? 'at the gate' : 'mean in the glide', kt: value(id).round,
                      target: measure(id).band.target.round)
            end
            .join('; ')
        end

        # With the collective on its stop all through the glide there is nothing left to lower.
        def collective_held_down?
          phase = @attempt.phase('glide')
          values = phase ? @signals.window(:collective, phase.start_s, phase.end_s) : []
          values.any? && Quantities.median(values) <= ON_THE_STOP_PCT
        end

        def rpm_text(ids) =
          ids
            .map do |id|
            Text.of('%{what} %{pct} %, target %{target_rotor_rpm_pct} %',
                    what: plain(id), pct: value(id).round(1),
                    target_rotor_rpm_pct: @context.target_rotor_rpm_pct.round(1))
          end
            .join('; ')

        def flare_height_text =
          Text.of('flare began at %{flare_height_ft} ft, %{target} ft planned',
                  flare_height_ft: value('flare_height_ft').round, target: measure('flare_height_ft').band.target.round)

        def early_flare =
          off('early_flare', ['flare_height_ft'].select { |id| bad_high?(id) }, phase_id: 'flare') { flare_height_text }

        def late_flare =
          off('late_flare', ['flare_height_ft'].select { |id| bad_low?(id) }, phase_id: 'flare') { flare_height_text }

        def weak_flare
          off('weak_flare', ['flare_pitch_max_deg'].select { |id| bad_low?(id) }, phase_id: 'flare') do
            Text.of('highest pitch %{flare_pitch_max_deg}°%{ground_speed_left}',
                    flare_pitch_max_deg: value('flare_pitch_max_deg').round(1), ground_speed_left: ground_speed_left)
          end
        end

        def hard_flare
          return nil if bad_low?('flare_pitch_max_deg')

          hard =
            ['flare_pitch_max_deg'].select { |id| bad_high?(id) } +
            %w[flare_rotor_rpm_max_pct balloon_ft].select { |id| bad?(id) }
          off('hard_flare', hard, phase_id: 'flare') { |ids| ids.map { |id| in_words(measure(id)) }.join('; ') }
        end

        def ground_speed_left
          left = value('recovery_groundspeed_kt') || value('contact_groundspeed_kt')
          left ? Text.of('; %{left} kt over the ground left', left: left.round) : ''
        end

        def late_power
          level = @attempt.event(:level_s) || @attempt.phase('recovery')&.start_s
          when_bad('late_power', 'power_on_s', from: level, to: level.to_f + value('power_on_s').to_f) do |late|
            Text.of('power on %{late} s after levelling, %{power_on_s} s allowed',
                    late: late.round(1), power_on_s: allowed('power_on_s')[1].round(1))
          end
        end

        def late_turn
          when_bad('late_turn', 'turn_delay_s', from: closure,
                                                to: @attempt.phase('turn')&.start_s || closure) do |after|
            Text.of('the turn began %{after} s after the power went, %{turn_delay_s} s allowed',
                    after: after.round(1), turn_delay_s: allowed('turn_delay_s')[1].round(1))
          end
        end

        # From the end of the entry to the flare.
        def one_big_check
          from = @attempt.phase('entry')&.end_s or return nil
          to = (@attempt.phase('flare')&.start_s || @attempt.phases.last.end_s) - 1.0
          big_check(from, to) if to > from + WITHIN_S
        end
      end
    end
  end
end
