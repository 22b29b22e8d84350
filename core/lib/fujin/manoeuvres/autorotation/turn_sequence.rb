# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Turns in steady autorotation one after another in a steady wind, from the first track onto the final course.
      # Tracks are held with the right drift angle, so a turn's heading change is its track change plus the drifts'
      # difference.
      class TurnSequence
        Q = Quantities

        # Turns in order; tracks of the legs; heading changes through the air, degrees.
        attr_reader :turns, :tracks, :changes_deg

        # @param turns_deg [Array<Float>] track changes in order, right +
        # @param speed_kt [Float] equivalent airspeed, @param target_pct [Float] rotor rpm
        # @param first_speed_m_s [Float, nil] true airspeed when the first turn begins, if it is not the glide's
        # @raise [OutsideModel] when the wind is stronger than the airspeed
        def initialize(conditions, course_deg:, trim:, speed_kt:, target_pct:, bank_deg:, turns_deg:,
                       first_speed_m_s: nil)
          @true_speed = conditions.atmosphere.true_speed(speed_kt * Q::KT)
          north, east = conditions.wind.vector
          @wind = LocalMap.along_across(north, east, course_deg)
          # Relative track of each leg, radians from the final course.
          @tracks =
            turns_deg
              .each_with_object([-turns_deg.sum]) { |deg, all| all << (all.last + deg) }
              .map { |deg| deg * Q::DEG }
              .freeze
          @changes_deg =
            turns_deg
              .each_with_index
              .map do |deg, i|
                before = i.zero? && first_speed_m_s ? first_speed_m_s : @true_speed
                deg + ((drift(@tracks[i + 1], @true_speed) - drift(@tracks[i], before)) / Q::DEG)
              end
              .freeze
          @turns =
            @changes_deg
              .map do |change|
                SteadyTurn.of(trim, speed_kt: speed_kt, turn_deg: change, bank_deg: bank_deg, rotor_pct: target_pct).fly
              end
              .freeze
        end

        # Relative heading of the final glide, radians.
        def final_heading = drift(0.0, @true_speed)

        # Drift angle that holds a relative track at a true airspeed, radians.
        def drift(track, speed)
          across = cross(track)
          unless across.abs < speed
            raise OutsideModel, 'the wind is stronger than the glide speed: no track can be held'
          end

          Math.asin(-across / speed)
        end

        # Ground speed along a relative track, m/s; with a wind that is too strong, as if no drift were laid off.
        def ground_speed(track, speed)
          laid_off = cross(track).abs < speed ? drift(track, speed) : 0.0
          (Math.cos(laid_off) * speed) + tail(track)
        end

        # In the flare along the final course: nose on the course, drift held by the low wing.
        def flare_ground_speed(air_along) = air_along + @wind[0]

        # The wind along and across the final course, m/s.
        attr_reader :wind

        private

        # Wind across and along a track, m/s, + to the right and + from behind.
        def cross(track) = (@wind[1] * Math.cos(track)) - (@wind[0] * Math.sin(track))
        def tail(track) = (@wind[0] * Math.cos(track)) + (@wind[1] * Math.sin(track))
      end
    end
  end
end
