# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # How a pilot closes on the line that an aircraft stands beside: the answer of keep_line's gains
      # (Flight::Piloting: bank for metres and for m/s off the line), lateral acceleration being g times bank,
      # ÿ = -g·(0.012·y + 0.05·ẏ): y = y₀·e^-at·(cos bt + a/b·sin bt).
      module LineClosing
        A = Quantities::G * Flight::Piloting::DRIFT_GAIN / 2.0
        B = Math.sqrt((Quantities::G * Flight::Piloting::LINE_GAIN) - (A**2))
        # A² + B².
        STIFF = Quantities::G * Flight::Piloting::LINE_GAIN
        # How steeply the line is cut back to: as whole flights do.
        STEEPEST_RAD = 20.0 * Quantities::DEG

        module_function

        # @param beside_m [Float], @param way_m [Float] along the line
        # @return [Float] of the offset what the steepest cut can close on that way, m
        def closable_m(beside_m, way_m)
          most = way_m * Math.tan(STEEPEST_RAD)
          beside_m.clamp(-most, most)
        end

        # @return [Float] share of an offset that is left
        def left_after(seconds) = Math.exp(-A * seconds) * (Math.cos(B * seconds) + (A / B * Math.sin(B * seconds)))

        # What goes sideways does not go ahead, ½ẏ²/v of the speed v through the air: with
        # ẏ = -y₀·(a²+b²)/b·e^-at·sin bt, summed over the time.
        # @param speed [Float] m/s
        # @return [Float] metres of the way
        def cost_m(beside_m, seconds, speed)
          faded = Math.exp(-2.0 * A * seconds)
          turned = 2.0 * B * seconds
          whole = (1.0 - faded) / (2.0 * A)
          swung = (A - (faded * ((A * Math.cos(turned)) - (B * Math.sin(turned))))) / (2.0 * STIFF)
          ((beside_m * STIFF / B)**2) * (whole - swung) / 4.0 / speed
        end
      end
    end
  end
end
