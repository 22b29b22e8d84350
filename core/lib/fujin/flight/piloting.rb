# frozen_string_literal: true

module Fujin
  module Flight
    # What every simulated pilot sees of the model and does alike: looking, pedals, keeping the line and the nose.
    # The class that includes it has @model, @task, @phase, @pedal, and says where its line runs (#course_rad, through
    # #line_origin) and when it is #low?.
    module Piloting
      SPOT = [0.0, 0.0].freeze

      # Gains fitted to clean flights of the shipped types: a speed is met without overshoot, the line within some feet,
      # a contact under 200 ft/min; radians (a second) of the control for each m/s, m or m/s² of error. The bounds are
      # chosen: what an instructor would let a student do.
      SPEED_GAIN = 0.03
      SPEED_DAMPING = 0.05
      SPEED_INTEGRAL = 0.006
      TRIM_RAD = 0.05
      PITCH_RAD = [-0.22, 0.15].freeze
      # Nearer than this, and changing more slowly, what is left is trim.
      STEADY_M_S = 1.5
      STEADY_M_S2 = 0.3
      LINE_GAIN = 0.012
      DRIFT_GAIN = 0.05
      DRIFT_GAIN_LOW = 0.10
      BANK_RAD = 0.3
      # The sink wanted at the ground, and how it grows with height.
      CUSHION_M_S = 0.22
      CUSHION_PER_M = 0.44
      CUSHION_GAIN = 0.25
      CUSHION_DAMPING = 0.12
      HEADING_GAIN = 1.2
      # Slower, a bank asks for no turn.
      TURNING_M_S = 12.0
      # Level flight held by the collective: for each metre, and for each m/s.
      LEVEL_GAIN = 0.012
      # A hover held by the collective: sink wanted for each metre too high, and collective for each m/s of it.
      HOVER_SINK_PER_M = 0.9
      HOVER_GAIN = 0.045
      # Collective that holds rotor rpm in a glide, for each point of it.
      ROTOR_GAIN = 0.0022
      ROTOR_INTEGRAL = 0.0012
      # Pedals of a clean pilot come so long after the torque.
      PEDAL_LAG_S = 0.25
      # Slower is standing on the ground; slower is standing in a hover, neither rising nor sinking by more than the
      # first.
      STANDING_M_S = 0.15
      HOVERING_M_S = 0.5

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
        @speed_integral = (@speed_integral + (SPEED_INTEGRAL * error * dt)).clamp(-TRIM_RAD, TRIM_RAD) if steady?(error)
        (feed_forward + (SPEED_GAIN * error) + (SPEED_DAMPING * @acceleration) + @speed_integral).clamp(*PITCH_RAD)
      end

      def steady?(error) = error.abs < STEADY_M_S && @acceleration.abs < STEADY_M_S2

      # Collective, beside level flight's, that keeps a height.
      def keep_height(height_m) = (LEVEL_GAIN * (height_m - @height)) + (LEVEL_GAIN * @sink)

      # Bank that keeps the line high up, and the drift that is wanted low down.
      # @param line_m [Float] where the line is, right +
      def keep_line(drift_m_s, line_m: 0.0)
        return 0.0 if @model.on_ground

        drift = low? ? drift_m_s : 0.0
        gain = low? ? 0.0 : LINE_GAIN
        rate = low? ? DRIFT_GAIN_LOW : DRIFT_GAIN
        (-(gain * (@across - line_m)) - (rate * (@ground_across - drift))).clamp(-BANK_RAD, BANK_RAD)
      end

      # Collective that spends the rotor's energy so that the sink is small when the skids meet the ground.
      def cushioned(gain, floor_rad, dt)
        wanted = CUSHION_M_S + (CUSHION_PER_M * @height)
        rate = gain * ((CUSHION_GAIN * (@sink - wanted)) + (CUSHION_DAMPING * @sink_rate))
        @cushion_collective =
          ((@cushion_collective || @model.collective) + (rate * dt)).clamp(floor_rad, @model.rotor.collective_max)
      end

      # Nose into the air high up, along the course low down.
      def yaw_command
        wanted = low? ? course_rad : Math.atan2(@air_e, @air_n)
        error = Math.atan2(Math.sin(wanted - @model.heading), Math.cos(wanted - @model.heading))
        turn = @speed > TURNING_M_S ? Quantities::G * Math.tan(@model.bank) / @speed : 0.0
        (HEADING_GAIN * error) + turn
      end
    end
  end
end
