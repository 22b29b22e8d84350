# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Scenario
      # A level turn through half a circle, from the moment at which it is decided: a balanced turn is a circle in the
      # air, R = v² / (g tan bank), and the wind carries the circle along.
      class TurnBack
        # From seeing it to rolling in, s. Chosen.
        REACTION_S = 3.0
        STEPS = 36

        # @!attribute t_s [Float], along_m [Float], across_m [Float] from where it was decided, along the track flown
        Place = Value.define(:t_s, :along_m, :across_m, :groundspeed_m_s, :phase)

        attr_reader :places, :radius_m

        # @param true_m_s [Float] true airspeed, @param bank_deg [Float]
        # @param wind [Array(Float, Float)] m/s along and across the track that is flown
        # @raise [OutsideModel] where the crosswind is stronger than the aircraft is fast
        def initialize(true_m_s, bank_deg, wind)
          along, across = wind
          raise OutsideModel, 'the wind across is stronger than this is fast' if across.abs >= true_m_s

          @speed = true_m_s
          @wind = wind
          @radius_m = true_m_s * true_m_s / (Quantities::G * Math.tan(bank_deg * Quantities::DEG))
          # The nose stands into the wind, and the turn goes that way: it is the shorter one.
          @nose = -Math.asin(across / true_m_s)
          @side = across.positive? ? -1.0 : 1.0
          @places = fly(along).freeze
        end

        # How far it goes ahead before it comes back.
        def ahead_m = places.map(&:along_m).max
        def time_s = places.last.t_s

        private

        def fly(wind_along)
          straight = (@speed * Math.cos(@nose)) + wind_along
          raise OutsideModel, 'the wind ahead is stronger than this is fast' unless straight.positive?

          here = Place.new(t_s: REACTION_S, along_m: straight * REACTION_S, across_m: 0.0, groundspeed_m_s: straight,
                           phase: :decide)
          start = here.with(t_s: 0.0, along_m: 0.0, phase: :recognise)
          step_s = Math::PI / STEPS * @radius_m / @speed
          [start, here, *turning(here, step_s)]
        end

        def turning(here, step_s)
          (0...STEPS).map do |i|
            heading = @nose + (@side * Math::PI * (i + 0.5) / STEPS)
            north = (@speed * Math.cos(heading)) + @wind[0]
            east = (@speed * Math.sin(heading)) + @wind[1]
            here = Place.new(t_s: here.t_s + step_s, along_m: here.along_m + (north * step_s),
                             across_m: here.across_m + (east * step_s), groundspeed_m_s: Math.hypot(north, east),
                             phase: :turn_back)
          end
        end
      end
    end
  end
end
