# frozen_string_literal: true

module Fujin
  module Flight
    # Flights of the model, of whatever manoeuvres, in one recording: joined by quiet stretches of climb and cruise
    # back to the start of the next, as a recorder left running would hold them.
    class FlightsJoined
      # @param runs [Array<Run>], @param recorder [Recorder] that writes at this rate
      def initialize(runs, recorder:, rate_hz:)
        @runs = runs
        @recorder = recorder
        @rate_hz = rate_hz
        @begin_s = []
      end

      # @return [Array<Hash{String => Float}>] samples by channel name, times from 0
      def samples
        @samples ||= @runs.each_with_object([]) do |run, all|
          flown = @recorder.rows(run).map { |row| @recorder.columns.zip(row).to_h }
          all.concat(ReturnLeg.samples(all.last, flown.first, @rate_hz)) if all.any?
          @begin_s << (all.any? ? all.last['t_s'] + (1.0 / @rate_hz) : 0.0)
          all.concat(flown.map { |sample| sample.merge('t_s' => (sample['t_s'] + @begin_s.last).round(3)) })
        end
      end

      # When each flight begins in the recording, s.
      # @return [Array<Float>]
      def begin_s = samples && @begin_s

      # @return [String] CSV in the recording format
      def csv
        columns = samples.first.keys
        ([columns.join(',')] + samples.map { |sample| sample.values_at(*columns).join(',') }).join("\n") << "\n"
      end
    end
  end
end
