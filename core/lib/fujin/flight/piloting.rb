# frozen_string_literal: true

module Fujin
  module Flight
    # What every simulated pilot sees of the model and does alike: looking, pedals, keeping the line and the nose.
    # The class that includes it has @model, @task, @phase, @pedal, and says where its line runs (#course_rad, through
    # #line_origin) and when it is #low?.
    module Piloting
      SPOT = [0.0, 0.0].freeze

      private

      def course_rad = @task.course_rad
      def line_origin = SPOT

      def observe(dt)
        m = @model
        wind = m.wind_here
        @air_n = m.velocity[0] - wind[0]
        @air_e = m.velocity[1] - wind[1]
        @speed = m.trim.atmosphere.equivalent_speed(Math.hypot(@air_n, @air_e))
        @acceleration = @previous_speed ? (@speed - @previous_speed) / dt : 0.0
        @previous_speed = @speed
        c = Math.cos(course_rad)
        s = Math.sin(course_rad)
        north = m.position[0] - line_origin[0]
        east = m.position[1] - line_origin[1]
        @ground_along = (m.velocity[0] * c) + (m.velocity[1] * s)
        @ground_across = (m.velocity[1] * c) - (m.velocity[0] * s)
        @along = (north * c) + (east * s)
        @across = (east * c) - (north * s)
        @height = m.position[2]
        sink = -m.velocity[2]
        @sink_rate = @sink ? (sink - @sink) / dt : 0.0
        @sink = sink
      end

      # Pedals follow the torque, late by the pilot's lag.
      def follow_torque(lag_s, dt) = @pedal = Lag.follow(@pedal, @model.torque_share, dt, lag_s)

      # Disc pitch that holds an airspeed. The integral finds the trim; while the speed is still changing it would only
      # overshoot.
      def hold_speed(speed_kt, feed_forward, dt)
        error = @speed - (speed_kt * Quantities::KT)
        @speed_integral = (@speed_integral + (0.006 * error * dt)).clamp(-0.05, 0.05) if error.abs < 1.5 &&
          @acceleration.abs < 0.3
        (feed_forward + (0.03 * error) + (0.05 * @acceleration) + @speed_integral).clamp(-0.22, 0.15)
      end

      # Bank that keeps the line high up, and the drift that is wanted low down.
      # @param line_m [Float] where the line is, right +
      def keep_line(drift_m_s, line_m: 0.0)
        return 0.0 if @model.on_ground

        drift = low? ? drift_m_s : 0.0
        gain = low? ? 0.0 : 0.012
        rate = low? ? 0.10 : 0.05
        (-(gain * (@across - line_m)) - (rate * (@ground_across - drift))).clamp(-0.3, 0.3)
      end

      # Collective that spends the rotor's energy so that the sink is small when the skids meet the ground.
      def cushioned(gain, floor_rad, dt)
        wanted = 0.22 + (0.44 * @height)
        rate = gain * ((0.25 * (@sink - wanted)) + (0.12 * @sink_rate))
        @cushion_collective =
          ((@cushion_collective || @model.collective) + (rate * dt)).clamp(floor_rad, @model.rotor.collective_max)
      end

      # Nose into the air high up, along the course low down.
      def yaw_command
        wanted = low? ? course_rad : Math.atan2(@air_e, @air_n)
        error = Math.atan2(Math.sin(wanted - @model.heading), Math.cos(wanted - @model.heading))
        turn = @speed > 12.0 ? Quantities::G * Math.tan(@model.bank) / @speed : 0.0
        (1.2 * error) + turn
      end
    end
  end
end
