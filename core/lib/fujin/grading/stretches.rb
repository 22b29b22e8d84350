# frozen_string_literal: true

module Fujin
  module Grading
    # What finders share: stretches of samples for which something holds, and what earlier finders took.
    module Stretches
      include Underway

      # What does not hold for so long interrupts a stretch no more than a knock does, unless a finder says otherwise;
      # the shorter one is for what is short itself.
      HOLE_S = 1.0
      SHORT_HOLE_S = 0.5

      # @param signals [Recordings::Signals], @param context [Context]
      # @param taken [Array<Attempt>] what earlier finders found
      def initialize(signals, context, taken = [])
        @signals = signals
        @context = context
        @taken = taken
      end

      private

      def signals = @signals
      def height(index) = signals[:agl][index] - signals.agl_zero_ft

      # Runs of samples for which the block holds, with holes of up to `hole_s` in them, at least `least_s` long.
      # @return [Array<Array(Integer, Integer)>] first and last sample
      def stretches(range, least_s, hole_s: HOLE_S, &block)
        hole = signals.samples(hole_s)
        hits = range.select(&block)
        runs = hits.slice_when { |a, b| b - a > hole + 1 }.map { |run| [run.first, run.last] }
        runs.select { |from, to| (to - from) * signals.step_s >= least_s }
      end

      def all = 0...signals.size
      def last_index = signals.size - 1

      # The run of samples that holds up to the last one, at least `least_s` long.
      # @return [Array(Integer, Integer), nil]
      def holding(least_s, hole_s: HOLE_S, &block)
        run = stretches(all, least_s, hole_s: hole_s, &block).last
        run if run && last_index - run.last <= signals.samples(hole_s)
      end

      # Does an attempt that was found earlier cover this moment?
      def taken?(time_s) = @taken.any? { |attempt| time_s > attempt.start_s - 0.01 && time_s < attempt.end_s + 0.01 }
      def overlaps?(from_s, to_s) = @taken.any? { |attempt| attempt.start_s < to_s && attempt.end_s > from_s }

      def phase(id, from_s, to_s, estimated: false) =
        Phase.new(id: id, start_s: from_s, end_s: to_s, estimated: estimated)

      def attempt(manoeuvre, phases, events: {}, finish: nil, result: :completed)
        kept = phases.select { |p| p.end_s > p.start_s }
        Attempt.new(
          manoeuvre: manoeuvre,
          start_s: kept.first.start_s,
          end_s: finish || kept.last.end_s,
          phases: kept.freeze,
          events: events.compact.freeze,
          estimated: kept.any?(&:estimated),
          result: result
        )
      end

      # First sample of a range for which the block holds for `held_s` on end.
      def first_held(range, held_s)
        held = [signals.samples(held_s), 1].max
        run = 0
        range.each do |i|
          run = yield(i) ? run + 1 : 0
          return i - held + 1 if run == held
        end
        nil
      end
    end
  end
end
