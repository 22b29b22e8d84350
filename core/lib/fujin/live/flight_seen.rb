# frozen_string_literal: true

module Fujin
  module Live
    # What the last minutes of a flight show, as it comes: which exercise of the lesson is flown, and each attempt that
    # is over, measured and judged. By the finders and measures that review it; there are no others.
    class FlightSeen
      # So much is looked at, so often.
      WINDOW_S = 240.0
      EVERY_S = 3.0
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
      def initialize(exercises, open)
        @exercises = exercises
        @open = open
        @samples = []
        @looked_s = nil
        @said = nil
        @ends = []
      end

      # @param sample [Hash{String => Float}] by channel name of the recording format
      # @return [Seen, nil] nil where nothing is new
      def take(sample)
        @samples << sample
        @samples.shift while sample['t_s'] - @samples.first['t_s'] > WINDOW_S
        @looked_s ||= sample['t_s']
        return nil if sample['t_s'] - @looked_s < EVERY_S

        @looked_s = sample['t_s']
        look
      end

      private

      def look
        flown = Lessons::FlownExercises.new(signals, @exercises, @open)
        given = flown.given
        seen = Seen.new(exercise: other_exercise(given), over: over(flown, given))
        seen if seen.exercise || seen.over.any?
      end

      # Of a lesson of one exercise there is no other.
      def other_exercise(given)
        return nil if @exercises.size < 2

        seen = given.filter_map(&:first).last&.id
        return nil if seen.nil? || seen == @said

        @said = seen
      end

      def over(flown, given)
        given.filter_map do |exercise, attempt|
          ended = attempt.end_s + @offset_s
          next if exercise.nil? || ended > @looked_s - SETTLED_S || known?(ended)

          @ends << ended
          Over.new(exercise: exercise, proposal: flown.proposal(exercise, attempt), ended_s: ended)
        end
      end

      def known?(ended) = @ends.any? { |other| (other - ended).abs < SAME_S } || ended < (@ends.max || 0.0)

      # Read as a file of these samples would be.
      def signals
        log = Recordings::SampleLog.new('the flight so far')
        @samples.each do |sample|
          log.begin(sample['t_s'])
          sample.each { |channel, value| log.put(channel, value) unless channel == 't_s' }
        end
        recording = log.recording('sample')
        @offset_s = @samples.first['t_s'] - recording.times.first
        Recordings::Signals.new(recording, type: @open.type, atmosphere: @open.conditions.atmosphere,
                                           elevation_ft: @open.elevation_ft, wind: @open.wind)
      end
    end
  end
end
