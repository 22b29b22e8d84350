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
        north = velocity[0] - wind[0]
        east = velocity[1] - wind[1]
        up = velocity[2]
        climb = (north * normal[0]) + (east * normal[1]) + (up * normal[2])
        air2 = (north * north) + (east * east) + (up * up)
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

        along = (north * nose[0]) + (east * nose[1])
        across = (east * nose[0]) - (north * nose[1])
        push = @propeller ? @propeller.thrust_n(held.power_w, along) : 0.0
        shaft_drive = @propeller ? 0.0 : @efficiency * held.power_w
        pressure = @density * airspeed / 2.0
        drag_ahead = pressure * @drag[0] * along
        drag_across = pressure * @drag[1] * across
        drag_up = pressure * @drag[2] * up

        spin = (shaft_drive - shaft - accessory) / (@rotor.inertia * rotor_speed)
        inflow = @rotor.inflow_rate(height, climb, edge, airspeed, thrust, induced)
        loss_w = (thrust * @rotor.induced_factor * induced) + profile + accessory + (drag_ahead * along) +
          (drag_across * across) + (drag_up * up)
        Rates.new(acceleration(held, thrust, push - drag_ahead, drag_across, drag_up), spin, inflow, loss_w,
                  shaft_drive + (push * along), thrust, shaft, climb, edge)
      end

      private

      # Thrust along the disc's normal, what is left of push ahead, drag across and up, weight.
      def acceleration(held, thrust, ahead, drag_across, drag_up)
        nose = held.nose
        normal = held.normal
        [((thrust * normal[0]) + (ahead * nose[0]) + (drag_across * nose[1])) / @mass,
         ((thrust * normal[1]) + (ahead * nose[1]) - (drag_across * nose[0])) / @mass,
         (((thrust * normal[2]) - drag_up) / @mass) - Quantities::G]
      end
    end
  end
end
