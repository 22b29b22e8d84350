# frozen_string_literal: true

module Fujin
  module Grading
    # What a recording leaves open in each measure of an attempt: the attempt is measured again in a few recordings that
    # the same recorder might have written of it (Recordings::Rerecorded), with its boundaries moved about as far as
    # they may be off (BoundaryErrors). How these differ from the measure is how the measure differs from what was flown
    # (the basic bootstrap interval, A. C. Davison and D. V. Hinkley, "Bootstrap Methods and their Application", 1997,
    # 5.2), with Student's distribution since there are only a few.
    class Spread
      TIMES = Stratified::TRIES
      # 95 % of Student's distribution with one degree of freedom less than there are tries.
      STUDENT = { 4 => 2.353, 5 => 2.132, 6 => 2.015, 7 => 1.943, 8 => 1.895 }.freeze
      # The ranges of a few tries are a little narrow, the more the longer the time between samples, for what happened
      # between them shows in no try; measured on flights of known truth (docs/accuracy.md).
      WIDER = 1.15
      WIDER_PER_S = 0.5
      # What is measured may look back and ahead this far.
      BEFORE_S = 20.0
      AFTER_S = 12.0
      SEED = 7

      # @param signals [Recordings::Signals], @param attempt [Attempt], @param context [Context]
      # @param manoeuvre [Catalogue::Declaration], @param targets [Planning::Targets]
      def initialize(signals, attempt, context, manoeuvre, targets)
        @signals = signals
        @attempt = attempt
        @context = context
        @manoeuvre = manoeuvre
        @targets = targets
      end

      # @param measures [Hash{String => Measure}] of the attempt as recorded
      # @return [Hash{String => Array(Float, Float)}] 5 and 95 % of each
      def ranges(measures)
        tries = Array.new(TIMES) { |i| again(Stratified.new(i), Random.new(SEED + i)) }
        measures.each_with_object({}) do |(id, measure), found|
          values = tries.filter_map { |taken| taken[id]&.value }
          found[id] = range(measure.value, values, unseen(measure)) if measure.value && STUDENT.key?(values.size)
        end
      end

      private

      def again(errors, random)
        signals = @signals.rerecorded(@attempt.start_s - BEFORE_S, @attempt.end_s + AFTER_S, errors, random)
        attempt = BoundaryErrors.new(@attempt, @signals).moved(signals, errors)
        @manoeuvre.measurer.new(signals, attempt, @context, @manoeuvre, targets: @targets).measures
      end

      def wider = WIDER * (1.0 + (WIDER_PER_S * [@signals.native_step_s - 0.1, 0.0].max))

      def unseen(measure)
        entry = Glossary.measure(measure.id, @manoeuvre.id)
        estimated = entry.uncertainty_estimated if measure.estimated || by_barometer?(entry.sources)
        estimated || entry.uncertainty
      end

      # A sink, or without an airspeed either anything: where it ended is then told by positions alone.
      def by_barometer?(sources) =
        @signals.estimated?(:agl) && (sources.include?(:sink) || @signals.estimated?(:ias))

      # The measure itself is always in it, and what is never negative stays so.
      def range(value, values, unseen)
        mean = values.sum / values.size
        deviation = Math.sqrt(values.sum { |v| (v - mean)**2 } / (values.size - 1))
        middle = (2.0 * value) - mean
        room = Math.hypot(STUDENT.fetch(values.size) * deviation * wider, unseen)
        low = [middle - room, value].min
        low = [low, 0.0].max unless value.negative? || values.any?(&:negative?)
        [low, [middle + room, value].max]
      end
    end
  end
end
