# frozen_string_literal: true

module Fujin
  module Flight
    # A gyroplane in steady flight: the rotor turns freely, so its shaft power is zero and its speed is whatever
    # the fixed blade pitch gives; the propeller pushes along the fuselage.
    # Speeds given are horizontal, kt equivalent airspeed; sink is true, m/s, positive down.
    class GyroTrim
      Point =
        Value.define(:speed_kt, :sink_m_s, :rotor_pct, :propeller_n, :engine_power_w, :disc_pitch_rad, :advance_ratio)

      LOWEST_PCT = 45.0
      HIGHEST_PCT = 160.0
      # Search bounds: the steepest climb and the fastest sink a gyroplane has.
      SINKS_M_S = [-12.0, 20.0].freeze

      # From one rotor speed to the next the sink hardly moves.
      NEAR_M_S = 0.4
      # A twentieth of what one percent of rotor speed changes.
      SAME_PITCH_RAD = 1e-4

      attr_reader :steady, :propeller

      # @raise [OutsideModel] for a helicopter
      def initialize(type, mass_kg, atmosphere)
        raise OutsideModel, Text.of('%{type} is a helicopter: it has no propeller', type: type.name) if type.helicopter?

        @steady = SteadyTrim.new(type, mass_kg, atmosphere)
        @propeller = Propeller.new(type, atmosphere)
        @points = {}
      end

      # Gliding with the propeller giving nothing.
      # @return [Point]
      def power_off(speed_kt, bank_deg: 0.0) = with_thrust(speed_kt, 0.0, bank_deg: bank_deg)

      # All the power there is: a climb has negative sink.
      def full_power(speed_kt) = with_thrust(speed_kt, full_thrust_n(speed_kt))
      def full_thrust_n(speed_kt) = propeller.full_thrust_n(true_speed(speed_kt))

      # Steady flight with a propeller thrust.
      # @return [Point]
      def with_thrust(speed_kt, thrust_n, bank_deg: 0.0) =
        @points[[speed_kt, thrust_n, bank_deg]] ||= balanced(speed_kt, thrust_n, bank_deg)

      # Power for level flight (or a given sink).
      # @raise [OutsideModel] when no propeller thrust holds it
      def level(speed_kt, sink_m_s: 0.0, bank_deg: 0.0)
        weight = steady.mass_kg * Quantities::G
        thrust_at =
          ->(pct) do
            Roots.find(
              -0.4 * weight,
              1.2 * weight,
              tolerance: 0.05,
              what: Text.of('level flight at %{speed_kt} kt', speed_kt: speed_kt.round)
            ) { |n| at(speed_kt, sink_m_s, pct, n, bank_deg).rotor_power_w / 1000.0 }
          end
        pct = freely_turning(speed_kt) do |rotor_pct|
          at(speed_kt, sink_m_s, rotor_pct, thrust_at.call(rotor_pct), bank_deg)
        end
        point(speed_kt, sink_m_s, pct, thrust_at.call(pct), bank_deg)
      end

      # Sink least, power off. @return [Array(Float, Float)] speed kt, sink m/s
      def minimum_sink = Roots.minimum(20.0, 60.0, tolerance: 0.3) { |kt| power_off(kt).sink_m_s }

      # Flattest angle over the ground, power off. @return [Array(Float, Float)] speed kt, ground glide ratio
      def best_glide(headwind_kt: 0.0)
        wind = headwind_kt * Quantities::KT
        speed, slope =
          Roots.minimum(25.0, 80.0, tolerance: 0.3) { |kt| -(true_speed(kt) - wind) / power_off(kt).sink_m_s }
        [speed, -slope]
      end

      # Steepest climb rate with all the power. @return [Array(Float, Float)] speed kt, climb m/s
      def best_climb
        speed, sink = Roots.minimum(20.0, 70.0, tolerance: 0.3) { |kt| full_power(kt).sink_m_s }
        [speed, -sink]
      end

      # Lowest speed that the power there is keeps level, kt: the edge of the back of the power curve.
      # @raise [OutsideModel] when full power does not hold level flight at any speed
      def lowest_level_speed_kt
        speed, climb = best_climb
        unless climb.positive?
          raise OutsideModel,
                Text.of('full power does not keep level flight at this mass and density altitude (%{climb} ft/min)',
                        climb: (climb / Quantities::FPM).round)
        end

        low = 1.0
        high = speed
        return low if climbs?(low)

        (
          middle = (low + high) / 2.0
          climbs?(middle) ? high = middle : low = middle
        ) while high - low > 0.01
        high
      end

      private

      def climbs?(speed_kt)
        full_power(speed_kt).sink_m_s.negative?
      rescue OutsideModel
        false
      end

      def true_speed(speed_kt) = steady.atmosphere.true_speed(speed_kt * Quantities::KT)

      def balanced(speed_kt, thrust_n, bank_deg)
        last = nil
        sink_at =
          ->(pct) do
            last =
              Roots.find_near(
                last,
                NEAR_M_S,
                *SINKS_M_S,
                tolerance: 1e-4,
                what: Text.of('steady flight at %{speed_kt} kt', speed_kt: speed_kt.round)
              ) { |sink| at(speed_kt, sink, pct, thrust_n, bank_deg).rotor_power_w / 1000.0 }
          end
        pct = freely_turning(speed_kt) do |rotor_pct|
          at(speed_kt, sink_at.call(rotor_pct), rotor_pct, thrust_n, bank_deg)
        end
        point(speed_kt, sink_at.call(pct), pct, thrust_n, bank_deg)
      end

      # Rotor speed at which the balanced point needs just the blade pitch that is built in. Where nothing balances,
      # a slow rotor wants more pitch than it has (its blades stall) and a fast one less. That is a direction to look
      # in and no balance: next to where nothing balances the blades may still want another pitch.
      # @raise [OutsideModel]
      def freely_turning(speed_kt, &balance)
        pct =
          Roots.find(LOWEST_PCT, HIGHEST_PCT, tolerance: 1e-3, what: 'rotor speed') do |at|
            pitch_wanted_rad(at, &balance)
          rescue OutsideModel
            at < 95.0 ? 0.2 : -0.2
          end
        return pct if pitch_wanted_rad(pct, &balance).abs < SAME_PITCH_RAD

        raise OutsideModel,
              Text.of("there is no steady flight at %{speed_kt} kt between the model's limits",
                      speed_kt: speed_kt.round)
      end

      # Over what is built in.
      def pitch_wanted_rad(pct) = yield(pct).collective_rad - steady.rotor.collective_min

      def at(speed_kt, sink, rotor_pct, thrust_n, bank_deg)
        steady.at(speed_kt, sink, rotor_pct: rotor_pct, bank_deg: bank_deg, propeller_n: thrust_n)
      end

      def point(speed_kt, sink, rotor_pct, thrust_n, bank_deg)
        trimmed = at(speed_kt, sink, rotor_pct, thrust_n, bank_deg)
        Point.new(
          speed_kt: speed_kt,
          sink_m_s: sink,
          rotor_pct: rotor_pct,
          propeller_n: thrust_n,
          disc_pitch_rad: trimmed.disc_pitch_rad,
          engine_power_w: propeller.power_w(thrust_n, true_speed(speed_kt)),
          advance_ratio: trimmed.advance_ratio
        )
      end
    end
  end
end
