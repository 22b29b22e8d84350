# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module LowRotorRpm
      # Low rotor rpm with its recovery, under power: `decay` from rotor rpm leaving 99, where it goes on under the
      # type's warning; `recovery` from collective −2 or throttle +3, else the minimum; it ends at 99
      # (docs/reference/boundaries.md).
      class Finder
        include Grading::Stretches

        NORMAL_PCT = 99.0
        COLLECTIVE_DOWN = 2.0
        THROTTLE_UP = 3.0
        LONGEST_S = 40.0
        # Fell by this share of what it was, from so long before rotor rpm left its normal.
        CAUSE_SHARE = 0.15
        CAUSE_S = 3.0
        # The collective pulled by so much of its travel, percent.
        PULLED_PCT = 5.0

        # @return [Array<Attempt>]
        def find = low.filter_map { |first, last| ended(last)&.then { |finish| build(first, finish) } }

        private

        # Stretches under the warning that nothing has taken.
        def low
          return [] unless @context.type.helicopter? && signals.signal?(:nr)

          warning = @context.type.low_warning_pct
          stretches(all, 0.1, hole_s: 2.0) do |i|
            signals[:nr][i] < warning && flying?(i) && !taken?(signals.time(i))
          end
        end

        # It was under the warning and has not come back to its normal.
        def begun(_found)
          first, last = low.last
          return nil if first.nil? || ended(last) || (last_index - last) * signals.step_s > LONGEST_S

          build(first, last_index)
        end

        # Where rotor rpm is back at its normal.
        def ended(last) =
          (last...[last + signals.samples(LONGEST_S), signals.size].min).find { |i| signals[:nr][i] >= NORMAL_PCT }

        # On the ground the rotor may turn as slowly as it likes.
        def flying?(index) = signals.signal?(:agl) ? height(index) > 1.5 : (signals[:gs] || [])[index].to_f > 5.0

        def build(first, finish)
          nr = signals[:nr]
          start = first.downto([first - signals.samples(LONGEST_S), 0].max).find { |i| nr[i] >= NORMAL_PCT } or
            return nil
          lowest = (start..finish).min_by { |i| nr[i].nan? ? 999.0 : nr[i] }
          down = moved(:collective, start, finish, -COLLECTIVE_DOWN)
          up = moved(:throttle, start, finish, THROTTLE_UP)
          return nil if pulled?(start, first)

          estimated = down.nil? && up.nil?
          corrected = [down, up].compact.min || lowest
          return nil if overlaps?(signals.time(start), signals.time(finish)) || corrected <= start

          begun, mended, ended = [start, corrected, finish].map { |i| signals.time(i) }
          attempt(
            'low_rotor_rpm_recovery',
            [phase('decay', begun, mended), phase('recovery', mended, ended, estimated: estimated)],
            events: {
              corrected_s: mended,
              lowest_s: signals.time(lowest),
              collective_s: down && signals.time(down),
              throttle_s: up && signals.time(up)
            }
          )
        end

        # A rotor that droops because the collective was pulled quicker than the engine follows is none; neither
        # throttle nor power fell, as they do when it is taught.
        def pulled?(start, warned)
          before = [start - signals.samples(CAUSE_S), 0].max
          collective = signals[:collective] or return false
          if %i[throttle power].any? { |name| signals.signal?(name) && fell?(signals[name], before, start, warned) }
            return false
          end

          collective[warned] - collective[before] > PULLED_PCT
        end

        def fell?(values, before, start, warned)
          high = values[before..start].reject(&:nan?).max
          low = values[start..warned].reject(&:nan?).min
          high && low && low < high * (1.0 - CAUSE_SHARE)
        end

        # First sample at which a control has moved by `by` from its farthest the other way since the decay began.
        def moved(name, start, finish, by)
          values = signals[name] or return nil
          farthest = values[start]
          (start..finish).find do |i|
            next if values[i].nan?

            farthest = by.negative? ? [farthest, values[i]].max : [farthest, values[i]].min
            (values[i] - farthest) / by >= 1.0
          end
        end
      end
    end
  end
end
