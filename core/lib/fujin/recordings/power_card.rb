# frozen_string_literal: true

module Fujin
  module Recordings
    # The settings a flight shows: the middle of the power instrument in the hover, the climb, cruise and descent under
    # power, where the flight held each for long enough to mean it.
    module PowerCard
      LEAST_S = 5.0
      # Airspeed kt, sink ft/min and height ft that a phase is told by; power on throughout.
      PHASES = {
        'hover' => { gs: (0..3), sink: (-100..100), agl: (2..20) },
        'climb' => { ias: (40..90), sink: (-3000..-400) },
        'cruise' => { ias: (60..140), sink: (-150..150) },
        'descent' => { ias: (40..110), sink: (250..900) }
      }.freeze
      POWERED_NE_PCT = 90.0

      module_function

      # @param signals [Signals]
      # @return [Hash{String => Float}] power by phase, in the instrument's own unit
      def of(signals)
        return {} unless signals.signal?(:power)

        PHASES.filter_map { |phase, limits| (value = setting(signals, limits)) && [phase, value] }.to_h
      end

      # Several flights of one aircraft together.
      # @param cards [Array<Hash>] of #of
      # @return [Hash{String => Array(Float, Integer)}] the middle and how many flights it rests on
      def together(cards)
        PHASES.keys.filter_map do |phase|
          values = cards.filter_map { |card| card[phase] }
          values.empty? ? nil : [phase, [Quantities.median(values), values.size]]
        end.to_h
      end

      def setting(signals, limits)
        values =
          (0...signals.size).filter_map do |i|
            signals[:power][i] if held?(signals, limits, i) && !signals[:power][i].nan?
          end
        values.size * signals.step_s < LEAST_S ? nil : Quantities.median(values).round(2)
      end

      def held?(signals, limits, index)
        return false if signals.signal?(:ne) && signals[:ne][index] < POWERED_NE_PCT
        return false if signals.signal?(:throttle) && signals[:throttle][index] < 20.0

        limits.all? { |name, range| signals.signal?(name) && range.cover?(signals[name][index]) }
      end
      private_class_method :setting, :held?
    end
  end
end
