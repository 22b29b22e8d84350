# frozen_string_literal: true

module Fujin
  module Live
    # The attempt that goes on in a flight as it comes: one of the lesson's exercises, by the finders that review it,
    # with what its measures have come to so far.
    class UnderwaySeen
      # It is looked for so often, the longer it goes on the more seldom (a share of what is looked at), in samples no
      # nearer to each other than this, over so much at least; while an attempt goes on, from so long before it began.
      EVERY_S = 0.4
      EVERY_SHARE = 0.004
      STEP_S = 0.09
      LEAST_S = 60.0
      BEFORE_S = 30.0
      # Of what is told so far no more than a glance takes.
      TOLD = 3

      # @param exercises [Array<Lessons::Exercise>] in the lesson's order
      # @param open [Grading::Context] the day without an exercise
      # @param window [FlightWindow] that the samples are taken into
      def initialize(exercises, open, window)
        @exercises = exercises
        @open = open
        @window = window
        @looked_s = -Float::INFINITY
        @began_s = nil
      end

      # Is it time to look again?
      def due?
        last = @window.last_s
        !last.nil? && (last - @looked_s).abs >= [EVERY_S, EVERY_SHARE * over_s(last)].max
      end

      # @param meant [String, nil] id of the exercise that was tapped
      # @return [Watched, nil]
      def look(meant = nil)
        @looked_s = @window.last_s
        signals = @window.signals(over_s: over_s(@looked_s), step_s: STEP_S) or return nil
        offset = @window.offset_s
        exercise, attempt = Lessons::FlownExercises.new(signals, @exercises, @open).underway(meant)
        @began_s = attempt && (attempt.start_s + offset)
        attempt && watched(signals, exercise, attempt, offset)
      end

      private

      def over_s(now_s) = [LEAST_S, @began_s ? (now_s - @began_s).abs + BEFORE_S : 0.0].max

      def watched(signals, exercise, attempt, offset)
        manoeuvre = exercise.declaration
        phase = attempt.phases.last
        taker = manoeuvre.measurer.new(signals, attempt.with(manoeuvre: manoeuvre.id), exercise.context, manoeuvre)
        Watched.new(exercise: exercise, phase: phase.id, since_s: phase.start_s + offset, targets: taker.targets,
                    so_far: so_far(taker, manoeuvre, phase.id, signals))
      end

      def so_far(taker, manoeuvre, phase, signals)
        told = taker.measures.select do |id, measure|
          measure.phase == phase && Glossary.measure(id, manoeuvre.id).live == Glossary::MeasureEntry::SO_FAR
        end
        judging = Grading::Judging.new(taker.context, manoeuvre, taker.targets, barometer: signals.estimated?(:agl))
        Grading::Measure.farthest_out(judging.judged(told, {}).values, TOLD).freeze
      end
    end
  end
end
