# frozen_string_literal: true

module Fujin
  module Grading
    # Low rotor rpm with its recovery, under power: `decay` from rotor rpm leaving 99, where it goes on under the type's
    # warning; `recovery` from collective −2 or throttle +3, else the minimum; it ends at 99 (MEASURES.md section 2).
    class LowRotorRpmFinder
      include Stretches

      NORMAL_PCT = 99.0
      COLLECTIVE_DOWN = 2.0
      THROTTLE_UP = 3.0
      LONGEST_S = 40.0

      # @return [Array<Attempt>]
      def find
        return [] unless @context.type.helicopter? && signals.signal?(:nr)

        warning = @context.type.low_warning_pct
        stretches(all, 0.1, hole_s: 2.0) { |i| signals[:nr][i] < warning && flying?(i) && !taken?(signals.time(i)) }.filter_map { |first, last| build(first, last) }
      end

      private

      # On the ground the rotor may turn as slowly as it likes.
      def flying?(index) = signals.signal?(:agl) ? height(index) > 1.5 : (signals[:gs] || [])[index].to_f > 5.0

      def build(first, last)
        nr = signals[:nr]
        start = first.downto([first - signals.samples(LONGEST_S), 0].max).find { |i| nr[i] >= NORMAL_PCT } or return nil
        finish = (last...[last + signals.samples(LONGEST_S), signals.size].min).find { |i| nr[i] >= NORMAL_PCT } or return nil
        lowest = (start..finish).min_by { |i| nr[i].nan? ? 999.0 : nr[i] }
        corrected, estimated = correction(start, finish)
        corrected ||= lowest
        return nil if overlaps?(signals.time(start), signals.time(finish)) || corrected <= start

        begun, mended, ended = [start, corrected, finish].map { |i| signals.time(i) }
        attempt('low_rotor_rpm_recovery', [phase('decay', begun, mended), phase('recovery', mended, ended, estimated: estimated)],
                events: { corrected_s: mended, lowest_s: signals.time(lowest) })
      end

      # The first sample at which the collective came down or the throttle up, and whether that had to be guessed.
      def correction(start, finish)
        hits = [moved(:collective, start, finish, -COLLECTIVE_DOWN), moved(:throttle, start, finish, THROTTLE_UP)].compact
        [hits.min, hits.empty?]
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
