# frozen_string_literal: true

module Fujin
  module Logbook
    # When a recording left the ground first and came down last: what off and on are proposed by.
    class Airborne
      # Skids or wheels are off the ground, with room for a radio height's trembling, ft.
      OFF_FT = 3.0
      # Without a height: faster than anybody taxies on wheels for long, kt.
      OFF_KT = 25.0
      # A bump of the reading is no flight, s.
      LEAST_S = 3.0

      # @param signals [Recordings::Signals]
      def initialize(signals)
        @signals = signals
      end

      # @return [Array(Float, Float), nil] seconds of the recording's clock; nil when it cannot be told
      def span
        high, limit = reading
        return nil unless high

        runs = off_runs(high, limit)
        return nil if runs.empty?

        [runs.first.first, runs.last.last].map { |i| @signals.start_s + (i * @signals.step_s) }
      end

      # Whether it stood on the ground at both ends, so that nothing flown is missing.
      # @return [Boolean]
      def whole?
        from, to = span
        last = @signals.start_s + ((@signals.size - 1) * @signals.step_s)
        !from.nil? && from > @signals.start_s + LEAST_S && to < last - LEAST_S
      end

      private

      def reading
        return [@signals[:agl], OFF_FT] if @signals.signal?(:agl)

        @signals.signal?(:gs) ? [@signals[:gs], OFF_KT] : nil
      end

      def off_runs(values, limit)
        least = (LEAST_S / @signals.step_s).ceil
        (0...@signals.size).slice_when { |a, b| off?(values[a], limit) != off?(values[b], limit) }
          .select { |run| off?(values[run.first], limit) && run.size >= least }
      end

      def off?(value, limit) = !value.nil? && value > limit
    end
  end
end
