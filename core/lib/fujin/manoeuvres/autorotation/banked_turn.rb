# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # A turn as a pilot flies it: bank rolled in at a steady rate, held, and taken off when what is left to turn is
      # what rolling out turns through. Headings are through the air, radians; right is +.
      class BankedTurn
        ROLL_RAD_S = SteadyTurn::ROLL_DEG_S * Quantities::DEG
        OUT_RAD = 1.0 * Quantities::DEG

        # @param turn_rad [Float] heading change wanted, right +
        # @param bank_rad [Float] of the turn
        def initialize(turn_rad:, bank_rad:)
          @left = turn_rad.abs
          @side = turn_rad.negative? ? -1.0 : 1.0
          @bank = bank_rad
          @command = 0.0
        end

        # @param turned_rad [Float] heading change since the last step
        # @param bank_rad [Float] that the aircraft has
        # @param speed_m_s [Float] true airspeed
        # @return [Float] bank to ask for
        def fly(turned_rad, bank_rad, speed_m_s, dt)
          @left -= @side * turned_rad
          @rolling_out ||= @left <= roll_out_rad(bank_rad.abs, speed_m_s)
          @command = @rolling_out ? [@command - (ROLL_RAD_S * dt), 0.0].max : [@command + (ROLL_RAD_S * dt), @bank].min
          @side * @command
        end

        def over?(bank_rad) = @rolling_out && bank_rad.abs < OUT_RAD

        private

        # ∫ g·tanΦ/V dΦ/Φ' while the bank comes off, and what the attitude's lag adds.
        def roll_out_rad(bank, speed)
          rate = Quantities::G / [speed, 5.0].max
          (rate / ROLL_RAD_S * -Math.log(Math.cos(bank))) + (rate * Math.tan(bank) * SteadyTurn::LAG_S)
        end
      end
    end
  end
end
