# frozen_string_literal: true

module Fujin
  module Live
    # Which exercise of a lesson is flown, from the last minutes of a flight as it comes: what the finders say of them.
    class ExerciseSeen
      # So much is looked at, so often.
      WINDOW_S = 240.0
      EVERY_S = 8.0

      # @param exercises [Array<Lessons::Exercise>] in the lesson's order
      # @param open [Grading::Context] the day without an exercise
      def initialize(exercises, open)
        @exercises = exercises
        @open = open
        @samples = []
        @looked_s = nil
        @said = nil
      end

      # @param sample [Hash{String => Float}] by channel name of the recording format
      # @return [String, nil] id of the exercise of the last attempt, once each time that it is another than before
      def take(sample)
        @samples << sample
        @samples.shift while sample['t_s'] - @samples.first['t_s'] > WINDOW_S
        @looked_s ||= sample['t_s']
        return nil if @exercises.size < 2 || sample['t_s'] - @looked_s < EVERY_S

        @looked_s = sample['t_s']
        seen = last_exercise
        return nil if seen.nil? || seen == @said

        @said = seen
      end

      private

      def last_exercise = Lessons::FlownExercises.new(signals, @exercises, @open).given.filter_map(&:first).last&.id

      # Read as a file of these samples would be.
      def signals
        log = Recordings::SampleLog.new('the flight so far')
        @samples.each do |sample|
          log.begin(sample['t_s'])
          sample.each { |channel, value| log.put(channel, value) unless channel == 't_s' }
        end
        recording = log.recording('sample')
        Recordings::Signals.new(recording, type: @open.type, atmosphere: @open.conditions.atmosphere,
                                           elevation_ft: @open.elevation_ft, wind: @open.wind)
      end
    end
  end
end
