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
        sink = signals[:sink][first..last]
        shown = signals[:vs][first..last]
        told = sink.each_index.reject { |i| sink[i].nan? || shown[i].nan? }
        rate = told.map { |i| -sink[i] }
        shown = told.map { |i| shown[i] }
        CANDIDATES.min_by { |lag| misfit(rate, shown, lag, signals.step_s) }
      end

      # Asked for each candidate at each contact: a bare loop.
      def misfit(rate, shown, lag, step)
        share = lag < step ? 1.0 : Lag.share(step, lag)
        filtered = shown[0]
        total = 0.0
        i = 0
        while (i += 1) < rate.size
          filtered += share * (rate[i] - filtered)
          total += (filtered - shown[i])**2
        end
        total
      end
    end
  end
end
