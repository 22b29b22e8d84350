# frozen_string_literal: true

module Fujin
  module Grading
    # The engine's power in a recording, in percent of its limit, from the power instrument and the engine's speed.
    class EnginePower
      # @param signals [Recordings::Signals], @param context [Context]
      def initialize(signals, context)
        @signals = signals
        @engine = Flight::Engine.new(context.type, context.conditions.atmosphere)
      end

      def recorded? = @signals.signal?(:power)

      # @return [Float, nil] nil in a gap
      def pct(index)
        shown = @signals[:power][index]
        shown.nan? ? nil : 100.0 * @engine.power_of(shown, speed_fraction(index)) / @engine.limit_w
      end

      # Watts in percent of the limit.
      def pct_of(power_w) = 100.0 * power_w / @engine.limit_w

      private

      def speed_fraction(index)
        value = %i[ne nr].filter_map { |name| @signals[name]&.at(index) }.find { |v| !v.nan? }
        value ? value / 100.0 : @signals.unrecorded_rpm_share
      end
    end
  end
end
