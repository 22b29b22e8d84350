# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # If the engine quit here: which ground is reached. Quasi-steady: the glide less what the entry costs and the
      # flare keeps, within sixty degrees of the track; farther round only with a turn's height to spare.
      class EngineFailure
        Q = Quantities
        AHEAD_DEG = 60.0
        STEP_DEG = 15.0
        # Lower, the aircraft lands on what is under it, ft.
        LOW_FT = 15.0
        BANK_DEG = 30.0
        # From the failure to the collective down at glide speed, s. Chosen.
        REACTION_S = 1.0
        ENTRY_SPEEDS_KT = [0.0, 20.0, 40.0].freeze
        LOSSES = Kept.new(64)
        private_constant :LOSSES

        # @param day [Day]
        def initialize(day)
          @day = day
          @conditions = day.conditions
          @glide_kt = day.house.glide_speed_kt(day.type, day.trim)
          @sink_m_s = day.trim.autorotation_sink_m_s(@glide_kt)
          @flare_m = day.house.flare_height_ft(day.type) * Q::FT
          @grounds = [day.site.rings, *day.site.landables.map(&:rings)]
          @edges = @grounds.flatten(1).flat_map { |ring| Sites::Plane.edges(ring) }
        end

        # @param height_m [Float] over the ground there
        # @return ['reached', 'avoid_area', 'none']
        def from(point, height_m:, ias_kt:, course_deg:)
          return landable?(point) ? 'reached' : 'none' if height_m <= LOW_FT * Q::FT
          return 'avoid_area' if @day.avoid.inside?(height_m / Q::FT, ias_kt)

          left = height_m - entry_loss_m(ias_kt) - @flare_m
          return landable?(point) ? 'reached' : 'none' unless left.positive?

          directions(left).any? { |off, height| reaches?(point, course_deg + off, height) } ? 'reached' : 'none'
        end

        # Height from the failure to the glide, m.
        def entry_loss_m(ias_kt)
          return REACTION_S * @sink_m_s if ias_kt >= @glide_kt

          Q.interpolate([*losses, [@glide_kt, REACTION_S * @sink_m_s]], ias_kt)
        end

        private

        # What the entry costs beyond the glide: the height lost until the speed is there, less what the glide would
        # have used for the way that was gone meanwhile, and the reaction.
        def losses
          LOSSES.fetch([*@conditions.load_key, @glide_kt]) do
            ENTRY_SPEEDS_KT.select do |kt|
              kt < @glide_kt - 5.0
            end.map { |kt| [kt, (REACTION_S * @sink_m_s) + slow_loss_m(kt)] }
          end
        end

        def slow_loss_m(from_kt)
          run = Flight::SpeedRecovery.new(@conditions, to_kt: @glide_kt, from_kt: from_kt).run
          ahead = run.rows.find { |row| row.t_s >= run.reached_s - 1e-9 }.ahead_m
          speed = @conditions.atmosphere.true_speed(@glide_kt * Q::KT)
          [run.height_lost_m - (ahead * @sink_m_s / speed), 0.0].max
        end

        # Directions from the track with the height that is left after turning to them.
        def directions(left_m)
          (-180.0..180.0).step(STEP_DEG).filter_map do |off|
            height = left_m - (off.abs > AHEAD_DEG ? turn_loss_m(off.abs) : 0.0)
            [off, height] if height.positive?
          end
        end

        def turn_loss_m(degrees)
          speed = @conditions.atmosphere.true_speed(@glide_kt * Q::KT)
          rate = Q::G * Math.tan(BANK_DEG * Q::DEG) / speed
          @turning_sink ||= @day.trim.autorotation_sink_m_s(@glide_kt, bank_deg: BANK_DEG)
          @turning_sink * degrees * Q::DEG / rate
        end

        # Landable ground under the place, or crossed on the way.
        def reaches?(point, course_deg, height_m)
          speed = @conditions.atmosphere.true_speed(@glide_kt)
          ground = @day.wind.groundspeed_kt(course_deg % 360.0, speed) * Q::KT
          return landable?(point) unless ground.positive?

          far = point + (Sites::Plane.step(course_deg) * ground * height_m / @sink_m_s)
          landable?(point) || @edges.any? { |a, b| Sites::Plane.crossing(point, far, a, b) }
        end

        def landable?(point) = @grounds.any? { |rings| Sites::Plane.inside?(rings, point) }
      end
    end
  end
end
