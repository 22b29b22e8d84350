# frozen_string_literal: true

module Fujin
  module Live
    # What the last minutes of a flight show, as it comes: which exercise of the lesson is flown, and each attempt that
    # is over, measured and judged. By the finders and measures that review it; there are no others.
    class FlightSeen
      # It is looked at so often, in samples no nearer to each other than this.
      EVERY_S = 3.0
      STEP_S = 0.04
      # One that goes on for so long is no mistake.
      BEGUN_S = 3.0
      # An attempt is over when it ended so long ago: what follows may still belong to it.
      SETTLED_S = 1.5
      # Two ends nearer than this are the same attempt, seen again in a later window.
      SAME_S = 8.0

      # `exercise` is the id of another exercise than before, nil of the same; `over` what has ended since.
      Seen = Value.define(:exercise, :over)
      # `ended_s` by the samples' own clock.
      Over = Value.define(:exercise, :proposal, :ended_s)

      # @param exercises [Array<Lessons::Exercise>] in the lesson's order
      # @param open [Grading::Context] the day without an exercise
      # @param window [FlightWindow] that the samples are taken into
      def initialize(exercises, open, window)
        @exercises = exercises
        @open = open
        @window = window
        @looked_s = nil
        @said = nil
      end

      # Looks at what has come, when it is time.
      # @param meant [String, nil] id of the exercise that was tapped
      # @return [Seen, nil] nil where nothing is new
      def look(meant = nil)
        last = @window.last_s or return nil
        restart(last) if @looked_s.nil? || last < @looked_s
        return nil if last - @looked_s < EVERY_S

        @looked_s = last
        signals = @window.signals(step_s: STEP_S)
        signals && seen(signals, meant)
      end

      private

      # At the first sample, and where the recorder's clock was set back.
      def restart(at_s)
        @looked_s = at_s
        @ends = []
      end

      def seen(signals, meant)
        flown = Lessons::FlownExercises.new(signals, @exercises, @open)
        given = flown.given
        found = Seen.new(exercise: other_exercise(flown.underway(meant), given), over: over(flown, given))
        found if found.exercise || found.over.any?
      end

      # What goes on, or was flown last. Of a lesson of one exercise there is no other.
      def other_exercise(underway, given)
        return nil if @exercises.size < 2

        on, attempt = underway
        on = nil if on && attempt.end_s - attempt.start_s < BEGUN_S
        seen = (on || given.filter_map(&:first).last)&.id
        return nil if seen.nil? || seen == @said

        @said = seen
      end

      def over(flown, given)
        given.filter_map do |exercise, attempt|
          ended = attempt.end_s + @window.offset_s
          next if exercise.nil? || ended > @looked_s - SETTLED_S || known?(ended)

          @ends << ended
          Over.new(exercise: exercise, proposal: flown.proposal(exercise, attempt), ended_s: ended)
        end
      end

      def known?(ended) = @ends.any? { |other| (other - ended).abs < SAME_S } || ended < (@ends.max || 0.0)
    end
  end
end
