# frozen_string_literal: true

module Fujin
  module Flight
    # Engine power with altitude (Gagg and Ferrar for pistons) and what the power instrument shows.
    class Engine
      attr_reader :max_power_w, :limit_w, :rated_w, :lag_s

      def initialize(type, atmosphere)
        ratio = atmosphere.density_ratio
        @turbine = type.turbine?
        @rated_w = type.fetch('engine.rated_kw') * 1000.0
        @limit_w = type.fetch('engine.limit_kw') * 1000.0
        @lag_s = type.fetch('engine.lag_s').to_f
        altitude = @turbine ? ratio**0.8 : (1.132 * ratio) - 0.132
        @max_power_w = [@limit_w, @rated_w * altitude].min
        @torque = type.fetch('engine.power_instrument') == 'torque_pct'
        @ambient_inhg = atmosphere.pressure_pa / Quantities::INHG
        freeze
      end

      # Engine speed at idle, as a fraction of normal, and the time constant of the spool.
      def idle_fraction = @turbine ? 0.65 : 0.62
      def spool_s = @turbine ? 2.0 : 0.6

      # Power instrument in its own unit (inHg or % torque).
      # @param speed_fraction [Float] engine speed over normal
      def instrument(power_w, speed_fraction)
        speed = [speed_fraction, 0.2].max
        return 100.0 * power_w / (@limit_w * speed) if @torque

        [9.5 + (18.5 * power_w / (@rated_w * speed)), @ambient_inhg - 0.4].min
      end

      # Power that the instrument shows, W: #instrument the other way round. A manifold pressure at the ambient one may
      # stand for more.
      def power_of(shown, speed_fraction)
        speed = [speed_fraction, 0.2].max
        @torque ? shown / 100.0 * @limit_w * speed : [(shown - 9.5) / 18.5, 0.0].max * @rated_w * speed
      end

      def instrument_unit = @torque ? 'pct' : 'inhg'
    end
  end
end
