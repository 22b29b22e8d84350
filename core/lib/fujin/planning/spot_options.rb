# frozen_string_literal: true

module Fujin
  module Planning
    # Where each way of reaching a spot can put the aircraft from the entry point, in today's wind: the house glide, a
    # stretched glide, a slow one, a delayed entry, an S-turn, a full circle.
    class SpotOptions
      Q = Quantities
      DELAY_S = 10.0
      BANK_DEG = 30.0
      S_TURN_DEG = 45.0

      # @param start_m [Float] along-track place of the entry from the spot, metres
      def initialize(conditions, house:, trim:, course_deg:, glide_speed_kt:, target_pct:, slow_speed_kt:, height_m:, flare_height_m:, entry:, flare:, entry_speed_kt:, start_m:)
        @conditions = conditions
        @house = house
        @trim = trim
        @course_deg = course_deg
        @glide_speed_kt = glide_speed_kt
        @target_pct = target_pct
        @slow_speed_kt = slow_speed_kt
        @height_m = height_m
        @flare_height_m = flare_height_m
        @entry = entry
        @flare = flare
        @entry_speed_kt = entry_speed_kt
        @start_m = start_m
      end

      # @return [Array<Reach>]
      def all = [glide, stretch, slow, delay, s_turn, circle].compact

      private

      def reach(option, speed_kt, points, shift_m: 0.0)
        return nil if points.empty?

        Reach.new(option: option, speed_kt: speed_kt, points: points.map { |along, across| [(@start_m + shift_m + along) / Q::FT, across / Q::FT] }.freeze)
      end

      def area(rotor_pct: @target_pct, spent_m: 0.0)
        ReachableArea.new(@conditions, trim: @trim, course_deg: @course_deg, rotor_pct: rotor_pct, height_m: @height_m - spent_m,
                                       flare_height_m: @flare_height_m, entry: @entry, flare: @flare)
      end

      def glide = reach('glide', @glide_speed_kt, glide_points)
      def glide_points = @glide_points ||= area.points(@glide_speed_kt)

      # Best range against the wind, rotor at the low side of its band: both restored before the gate.
      def stretch
        pct = [@target_pct, @conditions.type.power_off_band[0] + 2.0].min
        speed, = @trim.best_glide(rotor_pct: pct, headwind_kt: @conditions.wind.headwind_kt(@course_deg))
        reach('stretch', speed, area(rotor_pct: pct).points(speed))
      end

      def slow = reach('slow', @slow_speed_kt, area.points(@slow_speed_kt))

      # Ten more seconds level before the entry.
      def delay
        speed = @conditions.wind.groundspeed_kt(@course_deg, @conditions.atmosphere.true_speed(@entry_speed_kt)) * Q::KT
        reach('delay', @glide_speed_kt, glide_points, shift_m: speed * DELAY_S)
      end

      # Height spent in the turns leaves less to glide; what is left reaches ahead of where they end.
      def s_turn
        turns = [S_TURN_DEG, -2.0 * S_TURN_DEG, S_TURN_DEG].map { |deg| turn(deg) }
        ahead = net_ahead(turns)
        reach('s_turn', @glide_speed_kt, moved(area(spent_m: turns.sum(&:height_lost_m)).points(@glide_speed_kt), ahead, turns.sum(&:duration_s)))
      end

      def circle
        full = turn(360.0)
        reach('circle', @glide_speed_kt, moved(area(spent_m: full.height_lost_m).points(@glide_speed_kt), 0.0, full.duration_s))
      end

      def turn(deg) = Flight::AutorotationTurn.of(@trim, speed_kt: @glide_speed_kt, turn_deg: deg, bank_deg: BANK_DEG, rotor_pct: @target_pct).fly

      # Distance gained along the first heading by turns one after another.
      def net_ahead(turns)
        heading = 0.0
        turns.sum do |flown|
          last = flown.rows.last
          gained = (last[1] * Math.cos(heading)) - (last[2] * Math.sin(heading))
          heading += last[4]
          gained
        end
      end

      # Points carried by the distance gained and by the wind while turning.
      def moved(points, ahead_m, seconds)
        north, east = @conditions.wind.vector
        along, across = LocalMap.along_across(north, east, @course_deg)
        points.map { |a, x| [a + ahead_m + (along * seconds), x + (across * seconds)] }
      end
    end
  end
end
