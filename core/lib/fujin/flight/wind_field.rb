# frozen_string_literal: true

module Fujin
  module Flight
    # Wind with height by a power law, and gusts that are first-order correlated in time (a discrete Ornstein–Uhlenbeck
    # process), all from one seed: the same seed is the same air.
    # Callable as the model wants it: height above ground m, time s -> [north, east] m/s.
    class WindField
      REFERENCE_M = 10.0
      CAP_M = 150.0
      GUST_TIME_S = 4.0
      STEP_S = 0.5
      LONGEST_S = 600.0
      # The gust reported is about what is exceeded for a moment now and then: 2.5 standard deviations above the mean.
      GUST_SIGMAS = 2.5

      # @param wind [Wind] as reported at the reference height
      # @param exponent [Float] of the power law; 0 is no shear, 0.14 open country by day
      # @param seed [Integer]
      def initialize(wind, exponent: 0.0, seed: 1)
        @vector = wind.vector
        @exponent = exponent.to_f
        sigma = wind.gust_spread_kt * Quantities::KT / GUST_SIGMAS
        @gusts = sigma.zero? ? nil : gusts(sigma, Random.new(seed))
        freeze
      end

      def call(height_m, time_s)
        factor = shear(height_m)
        return [@vector[0] * factor, @vector[1] * factor] unless @gusts

        north, east = gust_at(time_s)
        [(@vector[0] * factor) + north, (@vector[1] * factor) + east]
      end

      # Wind at a height over wind at the reference height.
      def shear(height_m)
        return 1.0 if @exponent.zero?

        (height_m.clamp(0.5, CAP_M) / REFERENCE_M)**@exponent
      end

      private

      def gusts(sigma, random)
        keep = Math.exp(-STEP_S / GUST_TIME_S)
        kick = sigma * Math.sqrt(1.0 - (keep * keep))
        north = sigma * NormalRandom.draw(random)
        east = sigma * NormalRandom.draw(random)
        Array.new((LONGEST_S / STEP_S).to_i + 2) do
          north = (north * keep) + (kick * NormalRandom.draw(random))
          east = (east * keep) + (kick * NormalRandom.draw(random))
          [north, east].freeze
        end.freeze
      end

      def gust_at(time_s)
        place = (time_s.clamp(0.0, LONGEST_S) / STEP_S)
        i = place.floor
        share = place - i
        a = @gusts[i]
        b = @gusts[i + 1]
        [a[0] + ((b[0] - a[0]) * share), a[1] + ((b[1] - a[1]) * share)]
      end
    end
  end
end
