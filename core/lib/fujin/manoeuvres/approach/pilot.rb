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
          follow_torque(0.25, dt)
          line = @height > LOW_M ? @task.line_m : 0.0
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
          return @model.on_ground && still < 0.15 unless @task.ending == :hover

          @phase == :termination && still < 0.5 && @model.velocity[2].abs < 0.15
        end

        private

        def low? = @height < LOW_M
        def to_go = -@along
        def line_height(metres) = @task.end_height_m + ([metres, 0.0].max * Math.tan(@task.angle_rad))

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
          @phase = :termination if @task.ending != :run_on && to_go < 6.0
          @phase = :touchdown if @model.on_ground
          return unless @task.decide_after_s && @speed < @task.decision_kt * Quantities::KT

          @undecided_s = (@undecided_s || 0.0) + dt
          return unless @undecided_s >= @task.decide_after_s

          @phase = :go_around
          @turned_m = @height
        end

        # Steady flight along the line: [to go m, disc pitch, collective].
        def stations
          length = (@task.start_height_m - @task.end_height_m) / Math.tan(@task.angle_rad)
          (0..STATIONS).map do |i|
            metres = length * ((i / STATIONS.to_f)**1.5)
            ground = wanted_speed(metres)
            air = [@trim.atmosphere.equivalent_speed(ground + @headwind), 0.0].max / Quantities::KT
            height = line_height(metres)
            point =
              @trim.at(air, ground * Math.tan(@task.angle_rad), height_m: height < LOW_M ? [height, 0.3].max : nil)
            [metres, point.disc_pitch_rad, point.collective_rad]
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
          slow = [@trim.atmosphere.true_speed(SLOW_KT * Quantities::KT) - @headwind, 4.0].max
          slow + (SLOWING_PER_M * [metres - slow_by, 0.0].max)
        end

        def station(column) = Quantities.interpolate(@stations.map { |row| [row[0], row[column]] }, to_go)

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

          step = [0.02 * to_go.abs, 0.5].max
          slope = (wanted_speed(to_go + step) - wanted_speed(to_go - step)) / (2.0 * step)
          slowing = (@ground_along * slope).clamp(-1.0, 2.0)
          return @task.contact_pitch_rad if @task.contact_pitch_rad.positive? && @height < FLARED_M

          (station(1) + (slowing / Quantities::G) + (0.045 * (@ground_along - wanted_speed(to_go)))).clamp(-0.2, 0.22)
        end

        def collective_command(dt)
          return lowered(dt) if @model.on_ground

          case @phase
          when :setup then @level.collective_rad + (0.012 * (@task.start_height_m - @height)) + (0.012 * @sink)
          when :go_around then raised(@away.collective_rad + (0.008 * (@sink + CLIMB_M_S)).clamp(-0.03, 0.03), dt)
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
          @sink_integral = (@sink_integral + (0.015 * error * dt)).clamp(-0.05, 0.05)
          station(2) + (0.035 * error) + (0.006 * @sink_rate) + @sink_integral
        end

        # A demand for sink changes no quicker than a hand makes it.
        def eased_sink(dt)
          wanted = wanted_sink
          @asked = wanted unless @task.sank_m_s.positive? && @asked
          @asked += (wanted - @asked).clamp(-SINK_BUILDS * dt, SINK_BUILDS * dt)
        end

        def wanted_sink
          return SET_DOWN_M_S if @task.ending == :surface && @phase == :termination && @ground_along.abs < 1.2

          off = @height - line_height(to_go)
          return @task.sank_m_s if sinking?(off)

          (@ground_along * Math.tan(@task.angle_rad)) + (0.35 * off).clamp(-1.5, 1.5)
        end

        def sinking?(off)
          return false unless @task.sank_m_s.positive? && @speed < SANK_BELOW_KT * Quantities::KT

          @caught ||= off < SANK_TO_M || @height < SANK_ABOVE_M
          !@caught
        end

        # Smoothly, once the skids carry.
        def lowered(dt)
          @landed_collective = [
            (@landed_collective || @model.collective) - (0.03 * dt),
            @model.rotor.collective_min
          ].max
        end
      end
    end
  end
end
