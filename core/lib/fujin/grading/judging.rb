# frozen_string_literal: true

module Fujin
  module Grading
    # Holds what was measured to the standard of the manoeuvre, with what the recording leaves open: where a range has
    # more than one verdict in it and is wider than all that the standard lets pass, there is none; wider than three
    # times that, it says nothing and is not recorded.
    class Judging
      TOO_WIDE = 3.0
      NO_VERDICT = 'this recording leaves more open than the standard lets pass: no verdict'
      WITHOUT_PLAN = 'judged where the exercise was planned'
      NOT_TODAY = 'the day gives nothing to hold it to'
      SAYS_NOTHING = 'what this recording leaves open is wider than anything it could be held to'

      # @param context [Context], @param manoeuvre [Catalogue::Declaration]
      # @param targets [Planning::Targets] what the names in the rules stand for today
      # @param barometer [Boolean] whether heights over the ground are a barometer's
      def initialize(context, manoeuvre, targets, barometer:)
        @context = context
        @manoeuvre = manoeuvre
        @targets = targets
        @barometer = barometer
      end

      # @param measures [Hash{String => Measure}] as taken
      # @param ranges [Hash{String => Array(Float, Float)}] 5 and 95 % of them, where they are known
      # @return [Hash{String => Measure}]
      def judged(measures, ranges) =
        measures.to_h { |id, measure| [id, measure.recorded? ? judge(measure, ranges[id]) : measure] }

      private

      def judge(measure, range)
        measure = measure.with(low: range&.first, high: range&.last)
        band = standard_band(measure.id) or return measure.with(reason: why_shown(measure.id))
        measure = measure.with(band: band)

        turned = [measure.least, measure.value, measure.most].map { |v| band.verdict(v) }.uniq.size > 1
        wide = turned ? width(measure) / band.room : 0.0
        return nothing(measure) if wide > TOO_WIDE
        return measure.with(reason: NO_VERDICT) if wide > 1.0

        measure.with(verdict: verdict(band, measure), critical: surely_critical?(band, measure), too_close: turned)
      end

      def width(measure) = measure.most - measure.least

      def nothing(measure) =
        measure.with(value: nil, low: nil, high: nil, band: nil, verdict: 'not_recorded', reason: SAYS_NOTHING)

      # Marginal or out only with all that it may have been.
      def verdict(band, measure)
        found = band.verdict(measure.value)
        return found if %w[polished in].include?(found)

        best = band.best_verdict(measure.least, measure.most)
        best == 'polished' ? 'in' : best
      end

      def standard = @context.standard_of(@manoeuvre)

      def standard_band(id)
        standard.band(id, @context.stage, @targets, planned: @context.planned_for?(@manoeuvre))
      rescue KeyError
        nil
      end

      # Why a measure has no band today.
      def why_shown(id)
        rule = standard.rules[id] or return standard.shown.fetch(id)
        return WITHOUT_PLAN if rule['planned_only'] && !@context.planned_for?(@manoeuvre)

        conditions = StandardRow.new(rule).conditions
        conditions.empty? ? NOT_TODAY : Text.of('judged %{conditions}', conditions: Text.list(conditions))
      end

      # Beyond the limit with all that it may have been; and a height over the ground read off a barometer passes none.
      def surely_critical?(band, measure) =
        band.critical?(measure.least) && band.critical?(measure.most) && !(measure.unit == 'ft' && @barometer)
    end
  end
end
