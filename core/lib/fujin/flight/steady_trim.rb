# frozen_string_literal: true

module Fujin
  module Flight
    # Steady flight of one type at one mass in one air: explicit in power, and its zero is autorotation.
    # Speeds given are horizontal, equivalent airspeed; sink is true and positive down.
    class SteadyTrim
      attr_reader :type, :mass_kg, :atmosphere, :rotor

      def initialize(type, mass_kg, atmosphere)
        @type = type
        @mass_kg = mass_kg.to_f
        @atmosphere = atmosphere
        @rotor = Rotor.new(type, atmosphere.density)
        @drag_area_x = type.fetch('airframe.drag_area_x_m2').to_f
        @drag_area_z = type.fetch('airframe.drag_area_z_m2').to_f
        @accessory_w = type.fetch('engine.accessory_kw') * 1000.0
        @efficiency = type.fetch('engine.efficiency').to_f
        @sinks = {}
      end

      # @param speed_kt [Float] horizontal equivalent airspeed
      # @param sink_m_s [Float] true, + down
      # @param height_m [Float, nil] skids above ground; nil is out of ground effect
      # @param propeller_n [Float] push along the fuselage, newton (gyroplanes)
      # @return [TrimPoint]
      # @raise [OutsideModel] when the rotor cannot carry the load
      def at(speed_kt, sink_m_s, rotor_pct: 100.0, bank_deg: 0.0, height_m: nil, propeller_n: 0.0)
        speed = atmosphere.true_speed(speed_kt * Quantities::KT)
        omega = rotor.normal_speed * rotor_pct / 100.0
        thrust, normal = balance(speed, -sink_m_s, bank_deg * Quantities::DEG, propeller_n)
        climb = (speed * normal[0]) - (sink_m_s * normal[2])
        edge = Math.sqrt([(speed * speed) + (sink_m_s * sink_m_s) - (climb * climb), 0.0].max)
        induced = induced_velocity(climb, edge, thrust, speed, height_m)
        assemble(thrust, climb, edge, induced, omega, Math.atan2(-normal[0], normal[2]))
      rescue Rotor::Stalled
        banked = bank_deg.zero? ? '' : Text.of(' and %{bank_deg}° of bank', bank_deg: bank_deg.abs.round)
        raise OutsideModel,
              Text.of('the blades would be stalled at %{speed_kt} kt, %{rotor_pct} % rotor rpm%{banked}',
                      speed_kt: speed_kt.round, rotor_pct: rotor_pct.round, banked: banked)
      end

      def hover_power_w(height_m: nil) = at(0.0, 0.0, height_m: height_m).engine_power_w
      def level_power_w(speed_kt, height_m: nil) = at(speed_kt, 0.0, height_m: height_m).engine_power_w

      # Engine power available here, watts, at normal rotor speed.
      def power_available_w = Engine.new(type, atmosphere).max_power_w

      # Steady sink in autorotation, m/s.
      def autorotation_sink_m_s(speed_kt, rotor_pct: 100.0, bank_deg: 0.0)
        @sinks[[speed_kt, rotor_pct, bank_deg]] ||= Roots.find(
          2.0,
          40.0,
          tolerance: 1e-4,
          what: Text.of('steady autorotation at %{speed_kt} kt', speed_kt: speed_kt.round)
        ) { |sink| at(speed_kt, sink, rotor_pct: rotor_pct, bank_deg: bank_deg).engine_power_w / 1000.0 }
      end

      # Rotor rpm, percent, with the collective on its stop in a steady glide.
      def floor_rotor_rpm_pct(speed_kt, bank_deg: 0.0)
        Roots.find(
          lowest_flown_pct(speed_kt, bank_deg),
          150.0,
          tolerance: 1e-3,
          what: 'rotor rpm on the collective stop'
        ) { |pct| above_the_stop_rad(speed_kt, pct, bank_deg) }
      end

      # @return [Array(Float, Float)] speed kt, sink m/s
      def minimum_sink(rotor_pct: 100.0)
        Roots.minimum(25.0, 75.0, tolerance: 0.2) { |kt| autorotation_sink_m_s(kt, rotor_pct: rotor_pct) }
      end

      # Flattest angle over the ground along a line with this headwind (negative: tailwind).
      # @param highest_kt [Float] that may be flown
      # @return [Array(Float, Float)] speed kt, ground glide ratio
      def best_glide(rotor_pct: 100.0, headwind_kt: 0.0, highest_kt: 120.0)
        wind = headwind_kt * Quantities::KT
        speed, slope = Roots.minimum(35.0, [highest_kt, 120.0].min, tolerance: 0.2) do |kt|
          -(atmosphere.true_speed(kt * Quantities::KT) - wind) / autorotation_sink_m_s(kt, rotor_pct: rotor_pct)
        end
        [speed, -slope]
      end

      # Lowest speed that a power sustains in level flight, kt.
      # @raise [OutsideModel] when the power also hovers, or does not suffice at any speed
      def lowest_level_speed_kt(power_w, height_m: nil)
        Roots.find(0.0, 45.0, tolerance: 1e-3, what: 'lowest level speed for that power') do |kt|
          (level_power_w(kt, height_m: height_m) - power_w) / 1000.0
        end
      end

      # Sink at which the vortex-ring region begins and ends at a speed, m/s, with thrust taken equal to weight.
      # @return [Array(Float, Float), nil] nil when the speed is outside the region
      def vortex_ring_sinks_m_s(speed_kt)
        hover = rotor.hover_induced_velocity(mass_kg * Quantities::G)
        edge = atmosphere.true_speed(speed_kt * Quantities::KT) / (Rotor::RING_EDGE * hover)
        return nil if edge.abs >= 1.0

        half_width = Rotor::RING_CLIMB * Math.sqrt(1.0 - (edge * edge))
        [hover * (1.0 - half_width), hover * (1.0 + half_width)]
      end

      private

      # Collective above its stop in the steady glide at a rotor speed.
      def above_the_stop_rad(speed_kt, pct, bank_deg)
        sink = autorotation_sink_m_s(speed_kt, rotor_pct: pct, bank_deg: bank_deg)
        at(speed_kt, sink, rotor_pct: pct, bank_deg: bank_deg).collective_rad - rotor.collective_min
      end

      # Fast, the blades stall at a rotor speed that carries slower flight: the first that does not.
      # @raise [OutsideModel] where they are stalled at normal rotor speed too
      def lowest_flown_pct(speed_kt, bank_deg)
        pct = lowest_rotor_pct(bank_deg)
        begin
          above_the_stop_rad(speed_kt, pct, bank_deg)
          pct
        rescue OutsideModel
          raise if pct >= 100.0

          pct = [pct + SEARCH_PCT, 100.0].min
          retry
        end
      end
      SEARCH_PCT = 5.0
      private_constant :SEARCH_PCT

      # Where the search for a steady rotor speed starts: blades loaded to 85 % of their limit.
      def lowest_rotor_pct(bank_deg)
        weight = mass_kg * Quantities::G / Math.cos(bank_deg * Quantities::DEG)
        loading = rotor.loading(weight, rotor.normal_speed, 0.0)
        100.0 * Math.sqrt(loading / (0.85 * type.fetch('rotor.thrust_limit')))
      end

      # Thrust and disc normal [forward, right, up] that balance weight, turn and drag. The drag areas are
      # taken along the heading, across it and vertically: the fuselage is held level.
      def balance(speed, climb, bank, propeller_n)
        weight = mass_kg * Quantities::G
        pressure = rotor.density * Math.sqrt((speed * speed) + (climb * climb)) / 2.0
        force = [
          (pressure * @drag_area_x * speed) - propeller_n,
          weight * Math.tan(bank),
          weight + (pressure * @drag_area_z * climb)
        ]
        thrust = Math.sqrt(force.sum { |f| f * f })
        [thrust, force.map { |f| f / thrust }]
      end

      def induced_velocity(climb, edge, thrust, speed, height_m)
        induced = rotor.steady_inflow(climb, edge, thrust)
        return induced if height_m.nil?

        30.times { induced = rotor.steady_inflow(climb, edge, thrust, rotor.ground_factor(height_m, speed, induced)) }
        induced
      end

      def assemble(thrust, climb, edge, induced, omega, pitch)
        hover = rotor.hover_induced_velocity(thrust)
        tip = omega * rotor.radius
        mu = edge / tip
        lambda_through = (climb + induced) / tip
        ring = rotor.ring_strength(climb / hover, edge / hover)
        loading = rotor.loading(thrust, omega, ring)
        unlimited = rotor.unlimited(loading, mu)
        power =
          (thrust * ((rotor.induced_factor * induced) + climb)) + rotor.profile_power(omega, mu, loading, unlimited)
        accessory = @accessory_w * ((omega / rotor.normal_speed)**3)
        TrimPoint.new(rotor_power_w: power, engine_power_w: (power + accessory) / @efficiency, thrust_n: thrust,
                      induced_m_s: induced, climb_through_disc_m_s: climb,
                      collective_rad: rotor.collective(unlimited, mu, lambda_through), disc_pitch_rad: pitch,
                      advance_ratio: mu, ring_strength: ring)
      end
    end
  end
end
