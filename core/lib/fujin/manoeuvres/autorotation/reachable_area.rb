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

        # @param pace [SpotOptions::Pace] of the glide, @param usual [SpotOptions::Pace] of the house's
        # @param entry [FlownSegments::Segment], @param flare [FlownSegments::Segment]
        def initialize(
          conditions,
          trim:,
          course_deg:,
          pace:,
          usual:,
          gate_above_flare_m:,
          height_m:,
          flare_height_m:,
          entry:,
          flare:
        )
          @trim = trim
          @pace = pace
          @glide =
            PacedGlide.new(
              conditions,
              trim: trim,
              pace: pace,
              usual: usual,
              gate_above_flare_m: gate_above_flare_m
            )
          @entry = entry
          @flare = flare
          @glide_height = height_m - entry.height_lost_m - flare_height_m
          @atmosphere = conditions.atmosphere
          wind_n, wind_e = conditions.wind.vector
          @wind = LocalMap.along_across(wind_n, wind_e, course_deg)
        end

        # @return [Array<Array(Float, Float)>] metres along and across from the entry point, nearest heading first
        # @raise [OutsideModel] for a pace that cannot be flown
        def points
          speed = true_speed(@pace.speed_kt)
          turning =
            @trim.autorotation_sink_m_s(@pace.speed_kt, rotor_pct: @pace.target_pct, bank_deg: TURN_BANK_DEG)
          radius = speed * speed / (Quantities::G * Math.tan(TURN_BANK_DEG * Quantities::DEG))
          DIRECTIONS_DEG.filter_map { |change| point(change * Quantities::DEG, speed, turning, radius) }
        end

        # Straight ahead, metres from the entry point.
        # @raise [OutsideModel] where the height is used up before
        def straight_m
          speed = true_speed(@pace.speed_kt)
          ahead = point(0.0, speed, 0.0, 0.0)
          raise OutsideModel, 'the height is used up before the flare' unless ahead

          ahead.first
        end

        private

        def true_speed(knots) = @atmosphere.true_speed(knots * Quantities::KT)

        def point(change, speed, turning, radius)
          turn_time = radius * change.abs / speed
          height = @glide_height - (turning * turn_time)
          return nil unless height.positive? && height >= @glide.least_height_m

          legs = @glide.legs(height)
          ahead = legs.sum { |leg| true_speed(leg.speed_kt) * leg.seconds } + @flare.rows.last.air_m
          side = change.negative? ? -1.0 : 1.0
          time = @entry.duration_s + turn_time + legs.sum(&:seconds) + @flare.duration_s
          along =
            @entry.rows.last.air_m + (radius * Math.sin(change.abs)) + (ahead * Math.cos(change)) + (@wind[0] * time)
          across = (side * radius * (1.0 - Math.cos(change))) + (ahead * Math.sin(change)) + (@wind[1] * time)
          [along, across]
        end
      end
    end
  end
end
