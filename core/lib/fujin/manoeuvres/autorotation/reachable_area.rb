# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Where the aircraft can be put from the entry point: a turn at the training bank towards each direction, then a
      # straight glide to the flare. Height lost in the turn is quasi-steady (docs/reference/flight-model.md, '180
      # degree turn').
      class ReachableArea
        TURN_BANK_DEG = 30.0
        DIRECTIONS_DEG = (-180..180).step(15).to_a.freeze

        # @param entry [FlownSegments::Segment], @param flare [FlownSegments::Segment]
        def initialize(conditions, trim:, course_deg:, rotor_pct:, height_m:, flare_height_m:, entry:, flare:)
          @trim = trim
          @rotor_pct = rotor_pct
          @entry = entry
          @flare = flare
          @glide_height = height_m - entry.height_lost_m - flare_height_m
          @atmosphere = conditions.atmosphere
          wind_n, wind_e = conditions.wind.vector
          @wind = LocalMap.along_across(wind_n, wind_e, course_deg)
        end

        # @return [Array<Array(Float, Float)>] metres along and across from the entry point, nearest heading first
        def points(speed_kt)
          speed = @atmosphere.true_speed(speed_kt * Quantities::KT)
          straight = @trim.autorotation_sink_m_s(speed_kt, rotor_pct: @rotor_pct)
          turning = @trim.autorotation_sink_m_s(speed_kt, rotor_pct: @rotor_pct, bank_deg: TURN_BANK_DEG)
          radius = speed * speed / (Quantities::G * Math.tan(TURN_BANK_DEG * Quantities::DEG))
          DIRECTIONS_DEG.filter_map { |change| point(change * Quantities::DEG, speed, straight, turning, radius) }
        end

        private

        def point(change, speed, straight, turning, radius)
          turn_time = radius * change.abs / speed
          height = @glide_height - (turning * turn_time)
          return nil unless height.positive?

          glide_time = height / straight
          ahead = (speed * glide_time) + @flare.rows.last.air_m
          side = change.negative? ? -1.0 : 1.0
          time = @entry.duration_s + turn_time + glide_time + @flare.duration_s
          along =
            @entry.rows.last.air_m + (radius * Math.sin(change.abs)) + (ahead * Math.cos(change)) + (@wind[0] * time)
          across = (side * radius * (1.0 - Math.cos(change))) + (ahead * Math.sin(change)) + (@wind[1] * time)
          [along, across]
        end
      end
    end
  end
end
