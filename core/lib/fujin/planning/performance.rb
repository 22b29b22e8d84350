# frozen_string_literal: true

module Fujin
  module Planning
    # What one aircraft can do in steady flight today, helicopter or gyroplane alike.
    # Speeds kt equivalent airspeed; rates m/s; powers watts.
    class Performance
      # @param conditions [Conditions]
      def self.of(conditions) = conditions.type.helicopter? ? Helicopter.new(conditions) : Gyroplane.new(conditions)

      # Powered by its rotor.
      class Helicopter
        def initialize(conditions)
          @conditions = conditions
          @trim = conditions.trim
        end

        # Airspeed of effective translational lift, kt: the type file's, or where the way through the air is 1.3 times
        # the hover's induced velocity, which leaves two thirds of that velocity to be paid for (momentum theory).
        def translational_lift_kt
          @conditions.type.optional('speeds_kt.translational_lift') ||
            (
              @conditions.atmosphere.equivalent_speed(
                LIFT_RATIO * @trim.rotor.hover_induced_velocity(@conditions.mass_kg * Quantities::G)
              ) / Quantities::KT
            )
        end
        LIFT_RATIO = 1.3

        def power_available_w = @trim.power_available_w
        def level_power_w(speed_kt) = @trim.level_power_w(speed_kt)
        def power_w(speed_kt, sink_m_s) = @trim.at(speed_kt, sink_m_s).engine_power_w
        def power_off_sink_m_s(speed_kt, bank_deg: 0.0) = @trim.autorotation_sink_m_s(speed_kt, bank_deg: bank_deg)

        # Steady climb with a power, + up; negative when the power does not hold level flight.
        def climb_m_s(speed_kt, power_w = power_available_w)
          -Roots.find(-30.0, 30.0, tolerance: 1e-4, what: Text.of('steady climb at %{speed_kt} kt',
                                                                  speed_kt: speed_kt.round)) do |sink|
            (@trim.at(speed_kt, sink).engine_power_w - power_w) / 1000.0
          end
        end

        def level_power_in_bank_w(speed_kt, bank_deg) = @trim.at(speed_kt, 0.0, bank_deg: bank_deg).engine_power_w
      end

      # Pushed by its propeller.
      class Gyroplane
        def initialize(conditions)
          @conditions = conditions
          @gyro = conditions.gyro_trim
        end

        def power_available_w = Flight::Engine.new(@conditions.type, @conditions.atmosphere).max_power_w
        def level_power_w(speed_kt) = @gyro.level(speed_kt).engine_power_w
        def power_w(speed_kt, sink_m_s) = @gyro.level(speed_kt, sink_m_s: sink_m_s).engine_power_w
        def power_off_sink_m_s(speed_kt, bank_deg: 0.0) = @gyro.power_off(speed_kt, bank_deg: bank_deg).sink_m_s

        def climb_m_s(speed_kt, power_w = power_available_w)
          share = power_w / power_available_w
          -@gyro.with_thrust(speed_kt, share * @gyro.full_thrust_n(speed_kt)).sink_m_s
        end

        def level_power_in_bank_w(speed_kt, bank_deg) = @gyro.level(speed_kt, bank_deg: bank_deg).engine_power_w
      end
    end
  end
end
