# frozen_string_literal: true

module Fujin
  module Recordings
    # The wind of a recording: the one that was given; the file's own; the drift in the file, where ground velocity less
    # air velocity tells it.
    class WindFound
      # Airspeed is trustworthy from here, and so many moments of it make a wind.
      LEAST_KT = 35.0
      LEAST_MOMENTS = 20
      EVERY_S = 0.5

      # @param vectors [Array<Array(Float, Float)>] north and east, m/s
      # @return [Wind]
      def self.mean(vectors)
        north = vectors.sum(&:first) / vectors.size
        east = vectors.sum(&:last) / vectors.size
        Wind.new(
          from_deg: (Math.atan2(east, north) / Quantities::DEG) + 180.0,
          speed_kt: Math.hypot(north, east) / Quantities::KT
        )
      end

      # @param signals [Signals] of which speeds, track and heading are there
      # @param atmosphere [Atmosphere]
      def initialize(signals, atmosphere)
        @signals = signals
        @atmosphere = atmosphere
      end

      # @param given [Wind, nil]
      # @return [Array(Wind, Symbol), nil] and where it is from: :given, :file or :drift
      def find(given)
        if given then [given, :given]
        elsif (file = in_file) then [file, :file]
        elsif (drift = from_drift) then [drift, :drift]
        end
      end

      private

      def in_file
        speeds = @signals.recording['wind_kt']
        directions = @signals.recording['wind_from_deg']
        return nil unless speeds && directions

        pairs = speeds.zip(directions).reject { |pair| pair.any?(&:nan?) }
        return nil if pairs.empty?

        self.class.mean(pairs.map { |speed, from| Wind.new(from_deg: from, speed_kt: speed).vector })
      end

      def from_drift
        return nil unless %i[ias gs track heading].all? { |name| @signals.signal?(name) }

        vectors = (0...@signals.size).step([@signals.samples(EVERY_S), 1].max).filter_map { |i| drift(i) }
        vectors.size < LEAST_MOMENTS ? nil : self.class.mean(vectors)
      end

      def drift(index)
        ias, gs, track, heading = %i[ias gs track heading].map { |name| @signals[name][index] }
        return nil if [ias, gs, track, heading].any?(&:nan?) || ias < LEAST_KT

        air = @atmosphere.true_speed(ias * Quantities::KT)
        ground = gs * Quantities::KT
        [(ground * Math.cos(track * Quantities::DEG)) - (air * Math.cos(heading * Quantities::DEG)),
         (ground * Math.sin(track * Quantities::DEG)) - (air * Math.sin(heading * Quantities::DEG))]
      end
    end
  end
end
