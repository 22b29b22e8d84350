# frozen_string_literal: true

module Fujin
  module Live
    # The last minutes of a flight as they come, made ready for the finders as a file of them would be.
    class FlightWindow
      # From the signals' time to the samples'.
      attr_reader :offset_s

      # @param day [Grading::Context] without an exercise
      # @param exercises [Array<Lessons::Exercise>] of which the longest is kept
      def initialize(day, exercises)
        @day = day
        @longest_s = exercises.map { |one| one.declaration.longest_s }.max
        @samples = []
      end

      # @param sample [Hash{String => Float}] by channel name of the recording format
      def take(sample)
        # A clock that was set back begins another flight.
        @samples.clear if @samples.any? && sample['t_s'] <= last_s
        @samples << believed(sample)
        @samples.shift while last_s - @samples.first['t_s'] > @longest_s
      end

      def last_s = @samples.last&.fetch('t_s')

      # @param over_s [Float] so much of it, @param step_s [Float] nearer samples than this are left out
      # @param wind [Wind, nil] nil lets the drift tell it
      # @return [Recordings::Signals, nil] nil where there are too few
      def signals(over_s: @longest_s, step_s: 0.0, wind: @day.wind)
        part = thinned(@samples.select { |sample| last_s - sample['t_s'] <= over_s }, step_s)
        return nil if part.size < 2

        recording = recorded(part)
        @offset_s = part.first['t_s'] - recording.times.first
        Recordings::Signals.new(recording, type: @day.type, atmosphere: @day.conditions.atmosphere,
                                           elevation_ft: @day.elevation_ft, wind: wind)
      end

      private

      def thinned(samples, step_s)
        latest = -Float::INFINITY
        samples.select { |sample| (sample['t_s'] - latest >= step_s).tap { |far| latest = sample['t_s'] if far } }
      end

      # Looked through once, as it comes, not at each look at the flight.
      def believed(sample)
        sample.each_with_object({ 't_s' => sample['t_s'] }) do |(channel, given), kept|
          value = Recordings::SampleLog.value(channel, given) unless channel == 't_s'
          kept[channel] = value if value
        end
      end

      def recorded(samples) = Recordings::SampleLog.new('the flight so far', samples).recording('sample')
    end
  end
end
