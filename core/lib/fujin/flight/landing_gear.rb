# frozen_string_literal: true

module Fujin
  module Flight
    # Skids, or rolling wheels, on hard ground: no bounce, Coulomb friction under the weight they carry.
    class LandingGear
      SKID_FRICTION = 0.35
      WHEEL_FRICTION = 0.04

      def initialize(type)
        @friction = type.helicopter? ? SKID_FRICTION : WHEEL_FRICTION
        freeze
      end

      # Velocity after a step on the ground.
      # @param carried_n [Float] weight on the gear, newton
      def slowed(velocity, carried_n, mass_kg, dt)
        speed = Math.hypot(velocity[0], velocity[1])
        scale = speed.positive? ? [speed - (@friction * carried_n / mass_kg * dt), 0.0].max / speed : 0.0
        [velocity[0] * scale, velocity[1] * scale, [velocity[2], 0.0].max]
      end
    end
  end
end
