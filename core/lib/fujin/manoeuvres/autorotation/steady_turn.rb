# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Height, time and track of a turn in steady autorotation at one airspeed: quasi-steady, the bank rolled in and
      # out at a given rate through the attitude's own lag. Angles by ṙψ = g·tanΦ/V.
      class SteadyTurn
        # Along and across through the air, right +.
        Row = Struct.new(:t_s, :along_m, :across_m, :height_lost_m, :heading_rad, :bank_deg)
        Result = Value.define(:rows, :height_lost_m, :duration_s, :radius_m, :steady_height_lost_m, :sink_m_s)

        STEP_S = 0.05
        ROLL_DEG_S = 12.0
        LAG_S = 0.35
        # Rolled out, for counting time and height.
        OUT_DEG = 0.4

        # @param sink [#call] bank deg -> steady sink m/s
        # @param true_speed_m_s [Float]
        # @param turn_deg [Float] heading to turn through, right +
        # @param bank_deg [Float] 5..60
        def initialize(sink:, true_speed_m_s:, turn_deg:, bank_deg:)
          @sink = sink
          @speed = true_speed_m_s
          @turn = turn_deg.abs * Quantities::DEG
          @side = turn_deg.negative? ? -1.0 : 1.0
          @bank_deg = bank_deg
        end

        # Of one aircraft at a speed and rotor rpm.
        def self.of(trim, speed_kt:, turn_deg:, bank_deg:, rotor_pct: 100.0)
          new(
            sink: ->(bank) { trim.autorotation_sink_m_s(speed_kt, rotor_pct: rotor_pct, bank_deg: bank) },
            true_speed_m_s: trim.atmosphere.true_speed(speed_kt * Quantities::KT),
            turn_deg: turn_deg,
            bank_deg: bank_deg
          )
        end

        # @return [Result]
        def fly
          @t = @along = @across = @lost = @heading = @bank = @command = 0.0
          @rolling_out = false
          rows = [row]
          until @rolling_out && @bank <= OUT_DEG
            advance
            rows << row
          end
          full_sink = sink_at(@bank_deg)
          Result.new(
            rows: rows.freeze,
            height_lost_m: @lost,
            duration_s: @t,
            radius_m: radius_m,
            sink_m_s: full_sink,
            steady_height_lost_m: full_sink * @turn * @speed / (Quantities::G * Math.tan(@bank_deg * Quantities::DEG))
          )
        end

        def radius_m = @speed * @speed / (Quantities::G * Math.tan(@bank_deg * Quantities::DEG))

        private

        # Bank comes out when what is left to turn is what rolling out turns through, the lag's share included.
        def roll_out_rad
          bank = @bank * Quantities::DEG
          rate = Quantities::G / @speed
          (rate / (ROLL_DEG_S * Quantities::DEG) * -Math.log(Math.cos(bank))) + (rate * Math.tan(bank) * LAG_S)
        end

        def advance
          @rolling_out ||= @turn - @heading <= roll_out_rad
          change = ROLL_DEG_S * STEP_S
          @command = @rolling_out ? [@command - change, 0.0].max : [@command + change, @bank_deg].min
          before = @bank
          @bank = Lag.follow(@bank, @command, STEP_S, LAG_S)
          middle = (before + @bank) / 2.0
          turned = Quantities::G * Math.tan(middle * Quantities::DEG) / @speed * STEP_S
          at = @heading + (turned / 2.0)
          @along += @speed * Math.cos(at) * STEP_S
          @across += @side * @speed * Math.sin(at) * STEP_S
          @heading += turned
          @lost += sink_at(middle) * STEP_S
          @t += STEP_S
        end

        # Steady sink is smooth in bank: worked out every few degrees, straight lines in 1/cos² between.
        def sink_at(bank)
          knots = @knots ||= (0..4).map { |i| @bank_deg * i / 4.0 }.map { |deg| [load_of(deg), @sink.call(deg)] }
          load = load_of(bank)
          a, b = knots.each_cons(2).find { |_, right| load <= right[0] + 1e-12 } || knots.last(2)
          a[1] + ((b[1] - a[1]) * (load - a[0]) / (b[0] - a[0]))
        end

        def load_of(deg) = 1.0 / (Math.cos(deg * Quantities::DEG)**2)
        def row = Row.new(@t, @along, @across, @lost, @side * @heading, @side * @bank)
      end
    end
  end
end
