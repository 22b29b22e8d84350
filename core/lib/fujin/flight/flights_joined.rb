# frozen_string_literal: true

module Fujin
  module Flight
    # Flights of the model, of whatever manoeuvres, in one recording: joined by quiet stretches of climb and cruise
    # back to the start of the next, as a recorder left running would hold them.
    class FlightsJoined
      CLIMB_FPM = 700.0
      HOVER_PAUSE_S = 8.0
      # After a touchdown the engine is given power and brings the rotor back before anything else.
      SPIN_UP_S = 6.0
      # Directions, which come round at north.
      ROUND = %w[track_deg hdg_deg].freeze
      DRIVEN = %w[nr_pct ne_pct throttle_pct map_inhg tq_pct].freeze

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
          all.concat(return_leg(all.last, flown.first)) if all.any?
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

      private

      # From the hover or the ground back to the start of the next run: every channel by straight lines, with the power
      # on.
      def return_leg(from, to)
        length = (to['agl_ft'] / CLIMB_FPM * 60.0) + 20.0
        steps = (length * @rate_hz).round
        (1..steps).map do |i|
          share = i.to_f / steps
          driven = DRIVEN.to_h { |name| [name, [share * length / SPIN_UP_S, 1.0].min] }
          shares = {
            **driven,
            'agl_ft' => climb(share, length),
            'alt_msl_ft' => climb(share, length),
            'gs_kt' => [share * 4, 1.0].min,
            'ias_kt' => [share * 4, 1.0].min
          }
          sample = from.keys.to_h { |key| [key, blend(key, from[key], to[key], shares.fetch(key, share))] }
          sample.merge(
            't_s' => (from['t_s'] + (i / @rate_hz)).round(3),
            'vs_fpm' => share.between?(0.1, 0.85) ? CLIMB_FPM.round : 0,
            'pitch_deg' => 0.0
          )
        end
      end

      # Height share: still in the hover at first, level at the end.
      def climb(share, length)
        start = HOVER_PAUSE_S / length
        ((share - start) / (0.88 - start)).clamp(0.0, 1.0)
      end

      def blend(key, from, to, share)
        return from + ((to - from) * share) unless ROUND.include?(key)

        (from + (Quantities.wrap_deg(to - from) * share)) % 360.0
      end
    end
  end
end
