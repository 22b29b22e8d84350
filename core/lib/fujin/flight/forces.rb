# frozen_string_literal: true

module Fujin
  module Flight
    # What acts on a flying aircraft in one state: the air that it meets, what the rotor makes of it, what drives and
    # what brakes, its weight (docs/reference/flight-model.md). SI; north, east, up. It keeps nothing from one question
    # to the next.
    class Forces
      # What stands still within a step: time s, collective rad, power W, the nose's direction (north, east) and the
      # disc's normal (north, east, up).
      Held = Struct.new(:time_s, :collective, :power_w, :nose, :normal)

      # @param rotor [Rotor]
      # @param propeller [Propeller, nil] of a gyroplane
      # @param wind [#call] height above ground m, time s -> [north, east] m/s
      def initialize(type:, mass_kg:, density:, rotor:, propeller:, wind:)
        @mass = mass_kg
        @density = density
        @rotor = rotor
        @propeller = propeller
        @wind = wind
        @drag = %w[x y z].map { |axis| type.fetch("airframe.drag_area_#{axis}_m2").to_f }
        @efficiency = type.fetch('engine.efficiency').to_f
        @accessory = type.fetch('engine.accessory_kw') * 1000.0
      end

      # @return [Held] of an aircraft whose nose and disc point there, radians
      def held(time_s, collective:, power_w:, heading:, disc_pitch:, bank:)
        cos_heading = Math.cos(heading)
        sin_heading = Math.sin(heading)
        sin_pitch = Math.sin(disc_pitch)
        cos_bank = Math.cos(bank)
        sin_bank = Math.sin(bank)
        normal = [-((cos_bank * sin_pitch * cos_heading) + (sin_bank * sin_heading)),
                  -((cos_bank * sin_pitch * sin_heading) - (sin_bank * cos_heading)), cos_bank * Math.cos(disc_pitch)]
        Held.new(time_s, collective, power_w, [cos_heading, sin_heading], normal)
      end

      # How fast everything changes in one state.
      # @param velocity [Array(Float, Float, Float)] over the ground, m/s
      # @param rotor_speed [Float] rad/s
      # @param induced [Float] m/s
      # @return [Rates]
      def rates(held, height, velocity, rotor_speed, induced)
        nose = held.nose
        normal = held.normal
        wind = @wind.call(height, held.time_s)
        air = [velocity[0] - wind[0], velocity[1] - wind[1], velocity[2]]
        climb = (air[0] * normal[0]) + (air[1] * normal[1]) + (air[2] * normal[2])
        air2 = (air[0] * air[0]) + (air[1] * air[1]) + (air[2] * air[2])
        edge2 = air2 - (climb * climb)
        edge = edge2.positive? ? Math.sqrt(edge2) : 0.0
        airspeed = Math.sqrt(air2)

        tip = rotor_speed * @rotor.radius
        advance_ratio = edge / tip
        unlimited = @rotor.blade_loading(held.collective, advance_ratio, (climb + induced) / tip)
        loading = @rotor.limited(unlimited, advance_ratio)
        thrust = @rotor.ring_thrust(loading, rotor_speed, climb, edge)
        profile = @rotor.profile_power(rotor_speed, advance_ratio, loading, unlimited)
        shaft = (thrust * ((@rotor.induced_factor * induced) + climb)) + profile
        accessory = @accessory * ((rotor_speed / @rotor.normal_speed)**3)

        along = (air[0] * nose[0]) + (air[1] * nose[1])
        across = (air[1] * nose[0]) - (air[0] * nose[1])
        push = @propeller ? @propeller.thrust_n(held.power_w, along) : 0.0
        shaft_drive = @propeller ? 0.0 : @efficiency * held.power_w
        pressure = @density * airspeed / 2.0
        drag = [pressure * @drag[0] * along, pressure * @drag[1] * across, pressure * @drag[2] * air[2]]

        Rates.new(
          acceleration: acceleration(held, thrust, push - drag[0], drag),
          spin: (shaft_drive - shaft - accessory) / (@rotor.inertia * rotor_speed),
          inflow: @rotor.inflow_rate(height, climb, edge, airspeed, thrust, induced),
          loss_w:
            (thrust * @rotor.induced_factor * induced) + profile + accessory + (drag[0] * along) + (drag[1] * across) +
              (drag[2] * air[2]),
          drive_w: shaft_drive + (push * along),
          thrust_n: thrust,
          rotor_power_w: shaft,
          air_climb: climb,
          air_edge: edge
        )
      end

      private

      # Thrust along the disc's normal, what is left of push ahead, drag across and up, weight.
      def acceleration(held, thrust, ahead, drag)
        nose = held.nose
        normal = held.normal
        [((thrust * normal[0]) + (ahead * nose[0]) + (drag[1] * nose[1])) / @mass,
         ((thrust * normal[1]) + (ahead * nose[1]) - (drag[1] * nose[0])) / @mass,
         (((thrust * normal[2]) - drag[2]) / @mass) - Quantities::G]
      end
    end
  end
end
