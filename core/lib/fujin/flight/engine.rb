# frozen_string_literal: true

module Fujin
  module Flight
    # Engine power with altitude and what the power instrument shows.
    class Engine
      # Piston power falls with density as 1.132 σ − 0.132 (R. F. Gagg and E. V. Ferrar, "Altitude Performance of
      # Aircraft Engines Equipped with Gear-Driven Superchargers", SAE Transactions 29, 1934).
      PISTON = [1.132, 0.132].freeze
      # A turbine's as σ to this power. Chosen.
      TURBINE = 0.8
      # Idle speed as a fraction of normal, and the spool's time constant s. Chosen.
      IDLE = { piston: 0.62, turbine: 0.65 }.freeze
      SPOOL_S = { piston: 0.6, turbine: 2.0 }.freeze
      # Manifold pressure at no power and its rise to rated power, inHg; it stays under the ambient by so much. Chosen.
      MAP_IDLE_INHG = 9.5
      MAP_RISE_INHG = 18.5
      MAP_UNDER_AMBIENT_INHG = 0.4

      attr_reader :max_power_w, :limit_w, :rated_w, :lag_s

      def initialize(type, atmosphere)
        ratio = atmosphere.density_ratio
        @turbine = type.turbine?
        @rated_w = type.fetch('engine.rated_kw') * 1000.0
        @limit_w = type.fetch('engine.limit_kw') * 1000.0
        @lag_s = type.fetch('engine.lag_s').to_f
        altitude = @turbine ? ratio**TURBINE : (PISTON[0] * ratio) - PISTON[1]
        @max_power_w = [@limit_w, @rated_w * altitude].min
        @torque = type.fetch('engine.power_instrument') == 'torque_pct'
        @ambient_inhg = atmosphere.pressure_pa / Quantities::INHG
        freeze
      end

      # Engine speed at idle, as a fraction of normal, and the time constant of the spool.
      def idle_fraction = IDLE.fetch(kind)
      def spool_s = SPOOL_S.fetch(kind)
      def kind = @turbine ? :turbine : :piston

      # Power instrument in its own unit (inHg or % torque).
      # @param speed_fraction [Float] engine speed over normal
      def instrument(power_w, speed_fraction)
        speed = [speed_fraction, 0.2].max
        return 100.0 * power_w / (@limit_w * speed) if @torque

        [MAP_IDLE_INHG + (MAP_RISE_INHG * power_w / (@rated_w * speed)), @ambient_inhg - MAP_UNDER_AMBIENT_INHG].min
      end

      # Power that the instrument shows, W: #instrument the other way round. A manifold pressure at the ambient one may
      # stand for more.
      def power_of(shown, speed_fraction)
        speed = [speed_fraction, 0.2].max
        if @torque
          shown / 100.0 * @limit_w * speed
        else
          [(shown - MAP_IDLE_INHG) / MAP_RISE_INHG, 0.0].max * @rated_w * speed
        end
      end

      def instrument_unit = @torque ? 'pct' : 'inhg'
    end
  end
end
