# frozen_string_literal: true

module Fujin
  module Grading
    # How far a vertical-speed column lags the height column.
    module VerticalSpeedLag
      CANDIDATES = (0..20).map { |i| i * 0.1 }.freeze

      module_function

      # @return [Float] seconds; the lag whose first-order filter of the height's rate is nearest the column
      def estimate(signals, from_s, to_s)
        first = signals.index(from_s)
        last = signals.index(to_s)
        rate = signals[:sink][first..last].map { |v| -v }
        shown = signals[:vs][first..last]
        CANDIDATES.min_by { |lag| misfit(rate, shown, lag, signals.step_s) }
      end

      def misfit(rate, shown, lag, step)
        share = lag < step ? 1.0 : Lag.share(step, lag)
        filtered = nil
        total = 0.0
        rate.each_index do |i|
          next if rate[i].nan? || shown[i].nan?

          filtered = filtered ? filtered + (share * (rate[i] - filtered)) : shown[i]
          total += (filtered - shown[i])**2
        end
        total
      end
    end
  end
end
