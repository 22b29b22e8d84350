# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # Flies a powered approach down its line by looking at the model's state: collective for the angle, cyclic for the
      # closing speed; then a hover, the surface, a landing on the run, or away again.
      class Pilot
        include Flight::Piloting

        # Faults it can have, with the unit of each value.
        FAULTS = {
          'too_steep' => 'deg',
          'too_shallow' => 'deg',
          'sank_at_low_speed' => 'fpm',
          'late_decision' => 's',
          'power_cap_broken' => 'kt',
          'drifted_off_track' => 'ft',
          'drift_at_contact' => 'kt',
          'not_level' => 'deg'
        }.freeze

        # Places along the line at which steady flight is known beforehand.
        STATIONS = 24
        # The way the aircraft goes on before the collective has brought the descent.
        LEAD_S = 1.6
        # The collective goes down to the line's over so long.
        EASED_S = 3.0
        # A pilot who sinks too fast has lost the speed by this height, and sinks once, below this airspeed, until so
        # far under the line or this low. The sink builds and is taken off at this rate, m/s².
        SLOW_KT = 25.0
        SLOW_BY_M = 45.0
        SLOWING_PER_M = 0.07
        SANK_BELOW_KT = 29.0
        SANK_TO_M = -5.0
        SANK_ABOVE_M = 24.0
        SINK_BUILDS = 1.5
        LOW_M = 12.0
        FLARED_M = 0.5
        CLIMB_M_S = 2.5
        AWAY_M = 60.0
        # Closing on the end of the line: metres a second for each metre still to go.
        CLOSING = 0.35
        SET_DOWN_M_S = 0.3
        PULL_RAD_S = 0.03
        # Of that, for each second that the engine lags.
        PULL_FOR_LAG_RAD = 0.0085
        # No lower for the speed than this while power comes in.
        NOSE_DOWN_RAD = 0.12

        # Gains fitted to clean approaches of the shipped types in calm and in wind: the line held within 1°, the speed
        # within 3 kt, no oscillation. Radians of the control for each m/s of error.
        CLOSING_GAIN = 0.045
        CLOSING_RAD = [-0.2, 0.22].freeze
        SLOWING_M_S2 = [-1.0, 2.0].freeze
        SINK_GAIN = 0.035
        SINK_DAMPING = 0.006
        SINK_INTEGRAL = 0.015
        # More or less sink for each metre off the line, at most so much.
        LINE_SINK_PER_M = 0.35
        LINE_SINK_M_S = 1.5
        CLIMB_GAIN = 0.008
        CLIMB_RAD = 0.03
        LOWERED_RAD_S = 0.03
        TERMINATION_M = 6.0
        SET_DOWN_BELOW_M_S = 1.2
        SLOWEST_M_S = 4.0
        # Stations lie closer towards the end; the slope of the speed is taken over so much of the way.
        STATIONS_CLOSER = 1.5
        SLOPE_SHARE = 0.02
        SLOPE_M = 0.5
        # The line's length is found to so much.
        LENGTH_STEP_M = 0.5
        # Ground effect is worked out no lower.
        LEAST_M = 0.3

        attr_reader :phase

        # @param task [Approach::Task], @param model [Model]
        # @param headwind_m_s [Float] along the course
        def initialize(task, model, headwind_m_s:)
          @task = task
          @model = model
          @headwind = headwind_m_s
          @trim = model.trim
          @phase = :setup
          @pedal = model.torque_share
          @speed_integral = @sink_integral = 0.0
          @level = @trim.at(task.start_kt, 0.0)
          @away = @trim.at(task.climb_kt, -CLIMB_M_S)
          @pull_rad_s = [PULL_RAD_S, PULL_FOR_LAG_RAD / model.engine.lag_s].min
          @stations = stations
        end

        # @return [Controls] for the next step
        def fly(dt)
          observe(dt)
          change_phase(dt)
          follow_torque(PEDAL_LAG_S, dt)
          # Off the line once it goes down, not while it is set up.
          line = @height > LOW_M && @phase != :setup ? @task.line_m : 0.0
          Flight::Controls.new(
            pitch_command(dt),
            keep_line(@task.drift_m_s, line_m: line),
            collective_command(dt),
            @pedal,
            yaw_command,
            true
          )
        end

        # Hovering, standing, or safely away.
        def settled?
          still = Math.hypot(@model.velocity[0], @model.velocity[1])
          return @height > @turned_m + AWAY_M if @phase == :go_around
          return @model.on_ground && still < STANDING_M_S unless @task.ending == :hover

          @phase == :termination && still < HOVERING_M_S && @model.velocity[2].abs < STANDING_M_S
        end

        private

        def low? = @height < LOW_M
        def to_go = -@along

        # The line goes on straight before its beginning.
        def line_height(metres)
          line = @task.line.call([metres, 0.0].max)
          line < @task.start_height_m ? line : @task.start_height_m + ((metres - length_m) * Math.tan(@task.angle_rad))
        end

        # From the line's beginning to its end, and its slope with so much still to go.
        def length_m
          @length_m ||= (0..).lazy.map do |i|
            i * LENGTH_STEP_M
          end.find { |m| @task.line.call(m) >= @task.start_height_m - 1e-6 }
        end

        def slope(metres)
          (line_height(metres + SLOPE_M) - line_height(metres - SLOPE_M)) / (SLOPE_M + [metres, SLOPE_M].min)
        end

        def change_phase(dt)
          case @phase
          when :setup then begin_descent if line_height(to_go - (@ground_along * LEAD_S)) <= @height
          when :descent then descend(dt)
          end
        end

        def begin_descent
          @phase = :descent
          @began_s = @model.time_s
        end

        def descend(dt)
          @phase = :termination if @task.ending != :run_on && to_go < TERMINATION_M
          @phase = :touchdown if @model.on_ground
          return unless @task.decide_after_s && @speed < @task.decision_kt * Quantities::KT

          @undecided_s = (@undecided_s || 0.0) + dt
          return unless @undecided_s >= @task.decide_after_s

          @phase = :go_around
          @turned_m = @height
        end

        # Steady flight along the line: what it asks for, with so many metres to go.
        def stations
          points = steady
          { disc_pitch: points.map { |metres, point| [metres, point.disc_pitch_rad] },
            collective: points.map { |metres, point| [metres, point.collective_rad] } }
        end

        # @return [Array<Array>] metres to go and the trim there
        def steady
          (0..STATIONS).map do |i|
            metres = length_m * ((i / STATIONS.to_f)**STATIONS_CLOSER)
            ground = wanted_speed(metres)
            air = [@trim.atmosphere.equivalent_speed(ground + @headwind), 0.0].max / Quantities::KT
            height = line_height(metres)
            [metres,
             @trim.at(air, ground * slope(metres), height_m: height < LOW_M ? [height, LEAST_M].max : nil)]
          end
        end

        def wanted_speed(metres)
          speed = @task.ground_speed.call([metres, 0.0].max)
          speed = [speed, early_speed(metres)].min if @task.sank_m_s.positive?
          @task.ending == :run_on ? speed : [speed, CLOSING * metres].min
        end

        # Lost well before the plan has it lost.
        def early_speed(metres)
          slow_by = (SLOW_BY_M - @task.end_height_m) / Math.tan(@task.angle_rad)
          slow = [@trim.atmosphere.true_speed(SLOW_KT * Quantities::KT) - @headwind, SLOWEST_M_S].max
          slow + (SLOWING_PER_M * [metres - slow_by, 0.0].max)
        end

        def station(what) = Quantities.interpolate(@stations.fetch(what), to_go)

        def pitch_command(dt)
          case @phase
          when :setup then hold_speed(@task.start_kt, @level.disc_pitch_rad, dt)
          when :go_around then [hold_speed(@task.climb_kt, @away.disc_pitch_rad, dt), -NOSE_DOWN_RAD].max
          when :touchdown then 0.0
          else closing_pitch
          end
        end

        # The speed of the line and the deceleration it asks for.
        def closing_pitch
          return 0.0 if @model.on_ground

          step = [SLOPE_SHARE * to_go.abs, SLOPE_M].max
          slope = (wanted_speed(to_go + step) - wanted_speed(to_go - step)) / (2.0 * step)
          slowing = (@ground_along * slope).clamp(*SLOWING_M_S2)
          return @task.contact_pitch_rad if @task.contact_pitch_rad.positive? && @height < FLARED_M

          too_fast = @ground_along - wanted_speed(to_go)
          (station(:disc_pitch) + (slowing / Quantities::G) + (CLOSING_GAIN * too_fast)).clamp(*CLOSING_RAD)
        end

        def collective_command(dt)
          return lowered(dt) if @model.on_ground

          case @phase
          when :setup then @level.collective_rad + keep_height(@task.start_height_m)
          when :go_around then raised(
            @away.collective_rad + (CLIMB_GAIN * (@sink + CLIMB_M_S)).clamp(-CLIMB_RAD, CLIMB_RAD), dt)
          else raised(ease(hold_angle(dt)), dt)
          end
        end

        # No quicker than the engine follows.
        def raised(collective, dt) = @pulled = [collective, (@pulled || @model.collective) + (@pull_rad_s * dt)].min

        def ease(collective)
          share = [(@model.time_s - @began_s) / EASED_S, 1.0].min
          @level.collective_rad + (share * (collective - @level.collective_rad))
        end

        def hold_angle(dt)
          error = @sink - eased_sink(dt)
          @sink_integral = (@sink_integral + (SINK_INTEGRAL * error * dt)).clamp(-TRIM_RAD, TRIM_RAD)
          station(:collective) + (SINK_GAIN * error) + (SINK_DAMPING * @sink_rate) + @sink_integral
        end

        # A demand for sink changes no quicker than a hand makes it.
        def eased_sink(dt)
          wanted = wanted_sink
          @asked = wanted unless @task.sank_m_s.positive? && @asked
          @asked += (wanted - @asked).clamp(-SINK_BUILDS * dt, SINK_BUILDS * dt)
        end

        def wanted_sink
          return SET_DOWN_M_S if setting_down?

          off = @height - line_height(to_go)
          return @task.sank_m_s if sinking?(off)

          (@ground_along * slope([to_go, 0.0].max)) + (LINE_SINK_PER_M * off).clamp(-LINE_SINK_M_S, LINE_SINK_M_S)
        end

        def setting_down? =
          @task.ending == :surface && @phase == :termination && @ground_along.abs < SET_DOWN_BELOW_M_S

        def sinking?(off)
          return false unless @task.sank_m_s.positive? && @speed < SANK_BELOW_KT * Quantities::KT

          @caught ||= off < SANK_TO_M || @height < SANK_ABOVE_M
          !@caught
        end

        # Smoothly, once the skids carry.
        def lowered(dt)
          @landed_collective = [
            (@landed_collective || @model.collective) - (LOWERED_RAD_S * dt),
            @model.rotor.collective_min
          ].max
        end
      end
    end
  end
end
