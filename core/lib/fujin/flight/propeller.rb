# frozen_string_literal: true

module Fujin
  module Flight
    # A gyroplane's propeller: full thrust falls on a straight line with speed, and is in proportion to power
    # and to the density of the air (docs/reference/flight-model.md).
    class Propeller
      # @return [Propeller, nil] nil for a type that has none
      def self.of(type, atmosphere) = type.helicopter? ? nil : new(type, atmosphere)

      # @raise [OutsideModel] when the type file has no propeller
      def initialize(type, atmosphere)
        @static_n = type.fetch('propeller.static_thrust_n') * atmosphere.density_ratio
        @zero_thrust_m_s = type.fetch('propeller.zero_thrust_speed_m_s').to_f
        engine = Engine.new(type, atmosphere)
        @limit_w = engine.limit_w
        @max_power_w = engine.max_power_w
        freeze
      end

      # @param speed_m_s [Float] true airspeed along the fuselage
      # @return [Float] newton
      def thrust_n(power_w, speed_m_s) = @static_n * power_w / @limit_w * (1.0 - (speed_m_s / @zero_thrust_m_s))
      def full_thrust_n(speed_m_s) = thrust_n(@max_power_w, speed_m_s)

      # Engine power for a thrust, watts; may be more than there is.
      def power_w(thrust_n, speed_m_s) = thrust_n * @limit_w / (@static_n * (1.0 - (speed_m_s / @zero_thrust_m_s)))
    end
  end
end
