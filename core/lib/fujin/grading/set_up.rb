# frozen_string_literal: true

module Fujin
  module Grading
    # Before a manoeuvre begins: how long speed, height and track were steady, and whether the nose stood where the
    # aircraft went through the air. For takers that include Measuring.
    module SetUp
      TRIM_S = 5.0
      SPEED_KT = 10.0
      HEIGHT_FT = 100.0
      TRACK_DEG = 10.0

      private

      # @param at [Float] where the manoeuvre begins, s
      # @param centre [Array(Float, Float)] speed kt and height ft that it was to begin with
      def take_setup(at, centre = [signals.at(:ias, at), signals.at(:agl, at)])
        steady = steady_seconds(at, *centre)
        put('setup_steady_s', 'setup', steady, reason: ('the recording begins within it' if steady.nil?))
        take_trim('setup', at - TRIM_S, at)
      end

      def take_trim(phase_id, from, to)
        put(
          'trim_deg',
          phase_id,
          sideslip_deg(from, to),
          reason: 'the wind is not known: nose and track cannot be told apart'
        )
      end

      # How far the nose stood from where the aircraft went through the air, + to the right.
      def sideslip_deg(from, to)
        return nil unless signals.wind && %i[heading track gs].all? { |name| signals.signal?(name) }

        values = (signals.index(from)..signals.index(to)).map do |i|
          north, east = air(i)
          Quantities.wrap_deg(signals[:heading][i] - (Math.atan2(east, north) / Quantities::DEG))
        end
        good = values.reject(&:nan?)
        good.empty? ? nil : mean(good)
      end

      # Seconds before it in which speed, height and track stayed inside the set-up band.
      def steady_seconds(at, speed, height)
        return Float::NAN unless signals.signal?(:ias) && signals.signal?(:agl)

        track = signals.at(:track, at)
        first = signals.index(at).downto(0).find do |i|
          (signals[:ias][i] - speed).abs > SPEED_KT || (signals[:agl][i] - height).abs > HEIGHT_FT ||
            (!track.nan? && !signals[:track][i].nan? && (signals[:track][i] - track).abs > TRACK_DEG)
        end
        steady = at - signals.time(first ? first + 1 : 0)
        # Cut by the file's start it may have been longer.
        first || steady >= context.house['setup_s'] ? steady : nil
      end
    end
  end
end
