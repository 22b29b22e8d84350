# frozen_string_literal: true

module Fujin
  module Recordings
    # What a recording says of the ground: its altitude, and what the height channel shows there.
    class GroundLevel
      # @param signals [Signals]
      def initialize(signals)
        @signals = signals
      end

      # Altitude while standing still on the ground: the lowest of the stops of 3 s or more.
      # @return [Float, nil] ft
      def altitude_ft
        return nil unless @signals.signal?(:gs)

        still = stretches(@signals.samples(3.0)) { |i| @signals[:gs][i] < @signals.standing_kt }
        levels =
          still.map do |from, to|
            Quantities.median(@signals[:alt][from..to].reject(&:nan?).then { |a| a.empty? ? [Float::INFINITY] : a })
          end
        levels.reject(&:infinite?).min
      end

      # What the height channel shows on the ground, so that contact can be told: median of stops with the collective
      # down (a hover stands still too), or near zero where the collective was not recorded.
      # @return [Float] ft
      def agl_zero_ft
        return 0.0 unless @signals.signal?(:agl) && @signals.signal?(:gs)

        agl = @signals[:agl]
        collective = @signals[:collective]
        still =
          stretches(@signals.samples(2.0)) do |i|
            @signals[:gs][i] < @signals.standing_kt && agl[i].abs < 15.0 &&
              (collective ? collective[i] < 5.0 : agl[i].abs < 2.5)
          end
        values = still.flat_map { |from, to| agl[from..to] }.reject(&:nan?)
        values.empty? ? 0.0 : Quantities.median(values)
      end

      private

      # Runs of samples for which the block holds, at least `least` long, as [first, last].
      def stretches(least)
        found = []
        from = nil
        (0..@signals.size).each do |i|
          if i < @signals.size && yield(i)
            from ||= i
          else
            found << [from, i - 1] if from && i - from >= least
            from = nil
          end
        end
        found
      end
    end
  end
end
