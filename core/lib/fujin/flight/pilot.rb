# frozen_string_literal: true

module Fujin
  module Flight
    # Faults a simulated pilot can have, with the unit of each value (NAMES.md, MEASURES.md section 5).
    PILOT_FAULTS = {
      'late_collective' => 's', 'collective_not_down' => 'deg', 'slow_glide' => 'kt', 'fast_glide' => 'kt',
      'low_rotor_rpm' => 'points', 'high_rotor_rpm' => 'points', 'early_flare' => 'ft', 'late_flare' => 'ft',
      'entered_too_far' => 'ft', 'entered_too_close' => 'ft', 'weak_flare' => 'gain', 'hard_flare' => 'gain',
      'weak_cushion' => 'gain', 'drift_at_contact' => 'kt', 'yaw_uncorrected' => 's'
    }.freeze

    # What a pilot means to do in an autorotation, faults included. SI and radians inside; see PilotTask.build.
    PilotTask = Value.define(:course_rad, :entry_speed_kt, :entry_height_m, :glide_speed_kt, :target_rotor_pct, :closure_s,
                             :collective_delay_s, :collective_floor_rad, :flare_height_m, :flare_gain, :cushion_gain,
                             :ending, :drift_m_s, :pedal_lag_s) do
      # @param ending [Symbol] :power_recovery or :touchdown
      # @param faults [Hash{String => Numeric}] by PILOT_FAULTS
      # @raise [InvalidInput] for an unknown fault or value
      def self.build(type:, course_deg:, entry_speed_kt:, entry_height_ft:, glide_speed_kt:, target_rotor_pct:,
                     flare_height_ft:, ending: :power_recovery, closure_s: 12.0, faults: {})
        check(faults)
        fault = ->(name) { faults.fetch(name, 0).to_f }
        new(course_rad: course_deg * Quantities::DEG, entry_speed_kt: entry_speed_kt, closure_s: closure_s,
            entry_height_m: entry_height_ft * Quantities::FT,
            glide_speed_kt: glide_speed_kt - fault['slow_glide'] + fault['fast_glide'],
            target_rotor_pct: target_rotor_pct - fault['low_rotor_rpm'] + fault['high_rotor_rpm'],
            collective_delay_s: 0.3 + fault['late_collective'],
            collective_floor_rad: (type.fetch('rotor.collective_min_deg') + fault['collective_not_down']) * Quantities::DEG,
            flare_height_m: (flare_height_ft + fault['early_flare'] - fault['late_flare']) * Quantities::FT,
            flare_gain: 1.0 - fault['weak_flare'] + fault['hard_flare'], cushion_gain: 1.0 - fault['weak_cushion'],
            ending: ending, drift_m_s: fault['drift_at_contact'] * Quantities::KT, pedal_lag_s: 0.25 + fault['yaw_uncorrected'])
      end

      def self.check(faults)
        problems = faults.filter_map do |name, value|
          if !PILOT_FAULTS.key?(name)
            { path: "fault.#{name}", message: "is no fault the pilot can fly; use one of #{PILOT_FAULTS.keys.join(', ')}" }
          elsif !value.is_a?(Numeric) || !value.to_f.finite?
            { path: "fault.#{name}", message: "expected a number (#{PILOT_FAULTS[name]}), got #{value.inspect}" }
          end
        end
        raise InvalidInput, problems unless problems.empty?
      end
    end

    # Flies a straight-in autorotation by looking at the model's state, as a competent pilot would:
    # set-up, entry, glide, flare, then a power recovery to a hover or a cushioned touchdown.
    class Pilot
      HOVER_HEIGHT_M = 1.22
      LEVEL_HEIGHT_M = 2.6
      CLOSED = Controls.new(0.0, 0.0, 0.0, 0.0, 0.0, false).freeze

      attr_reader :phase

      def initialize(task, model)
        @task = task
        @model = model
        @phase = :setup
        @trim = model.trim
        glide_sink = @trim.autorotation_sink_m_s(task.glide_speed_kt)
        @glide_pitch = @trim.at(task.glide_speed_kt, glide_sink).disc_pitch_rad
        @glide_sink = glide_sink
        @level = @trim.at(task.entry_speed_kt, 0.0)
        @hover_collective = @trim.at(0.0, 0.0, height_m: HOVER_HEIGHT_M).collective_rad
        @speed_integral = @collective_check = 0.0
        @pedal = model.torque_share
        @rotor_peak = 0.0
        @throttle_open = true
        @previous_speed = nil
      end

      # Starts the pilot already gliding, for a run that begins at the flare.
      def begin_in_glide
        @phase = :glide
        @throttle_open = false
        @closure_at = -10.0
        self
      end

      # @return [Controls] for the next step
      def fly(dt)
        observe(dt)
        change_phase
        @pedal += (@model.torque_share - @pedal) * (1.0 - Math.exp(-dt / @task.pedal_lag_s))
        Controls.new(pitch_command(dt), bank_command, collective_command(dt), @pedal, yaw_command, @throttle_open)
      end

      private

      def observe(dt)
        m = @model
        wind = m.wind_here
        @air_n = m.velocity[0] - wind[0]
        @air_e = m.velocity[1] - wind[1]
        true_speed = Math.hypot(@air_n, @air_e)
        @speed = m.trim.atmosphere.equivalent_speed(true_speed)
        @acceleration = @previous_speed ? (@speed - @previous_speed) / dt : 0.0
        @previous_speed = @speed
        c = Math.cos(@task.course_rad)
        s = Math.sin(@task.course_rad)
        @ground_along = (m.velocity[0] * c) + (m.velocity[1] * s)
        @ground_across = (m.velocity[1] * c) - (m.velocity[0] * s)
        @across = (m.position[1] * c) - (m.position[0] * s)
        @height = m.position[2]
        sink = -m.velocity[2]
        @sink_rate = @sink ? (sink - @sink) / dt : 0.0
        @sink = sink
        @rotor_peak = [@rotor_peak, m.rotor_pct].max if @phase == :flare
      end

      def change_phase
        case @phase
        when :setup then close_throttle if @model.time_s >= @task.closure_s
        when :entry then @phase = :glide if @model.time_s >= @closure_at + @task.collective_delay_s
        when :glide then @phase = :flare if @height <= flare_trigger_m
        when :flare then finish_flare
        end
      end

      def close_throttle
        @phase = :entry
        @closure_at = @model.time_s
        @throttle_open = false
      end

      # So late that the flare's start, which is counted half a second before the pitch shows (MEASURES.md section 2), lies near
      # the flare height.
      def flare_trigger_m = @task.flare_height_m - (0.1 * @sink)

      def finish_flare
        recovering = @task.ending == :power_recovery
        @throttle_open = true if recovering && @rotor_peak - @model.rotor_pct > 0.5 && @speed < 17.0
        level = @height <= LEVEL_HEIGHT_M || (@speed <= 11.5 && @height < 5.0)
        return unless level

        @throttle_open = recovering
        @phase = recovering ? :recovery : :cushion
      end

      def pitch_command(dt)
        case @phase
        when :setup then hold_speed(@task.entry_speed_kt, @level.disc_pitch_rad, dt)
        when :entry, :glide then hold_speed(@task.glide_speed_kt, @glide_pitch, dt)
        when :flare then flare_pitch
        when :recovery then (0.055 * @ground_along).clamp(-0.05, 0.13)
        else @model.on_ground ? 0.0 : 0.03
        end
      end

      def hold_speed(speed_kt, feed_forward, dt)
        error = @speed - (speed_kt * Quantities::KT)
        # The integral finds the trim; while the speed is still changing it would only overshoot.
        @speed_integral = (@speed_integral + (0.006 * error * dt)).clamp(-0.05, 0.05) if error.abs < 1.5 && @acceleration.abs < 0.3
        (feed_forward + (0.03 * error) + (0.05 * @acceleration) + @speed_integral).clamp(-0.22, 0.15)
      end

      # Sink that sheds the glide's sink evenly with height down to the levelling height, m/s.
      def flare_sink
        fraction = ((@height - LEVEL_HEIGHT_M) / (@task.flare_height_m - LEVEL_HEIGHT_M)).clamp(0.0, 1.0)
        1.0 + ((@glide_sink - 1.0) * (fraction**2.6))
      end

      # One firm flare: pitch for that sink, with a damping look at how fast it changes.
      def flare_pitch
        lift = (0.075 * (@sink - flare_sink)) + (0.03 * @sink_rate)
        full = (0.235 + lift).clamp(0.11, 0.292)
        full = (0.06 + lift).clamp(-0.05, 0.15) if @speed < 8.0
        @glide_pitch + (@task.flare_gain * (full - @glide_pitch))
      end

      def collective_command(dt)
        case @phase
        when :setup then @level.collective_rad + (0.012 * (@task.entry_height_m - @height)) + (0.012 * @sink)
        when :entry then @model.collective
        when :glide then check_rotor(@task.target_rotor_pct, dt)
        when :flare then flare_collective
        when :recovery then hover_collective
        else cushion(dt)
        end
      end

      # Small collective checks hold the target rotor rpm; the stop is the lowest.
      def check_rotor(target, dt)
        # First all the way down; the target, even a wrong one, is sought once the rotor has come back.
        target = [target, 99.0].max if @closure_at && @model.time_s - @closure_at < 5.0
        error = @model.rotor_pct - target
        @collective_check = (@collective_check + (0.0012 * error * dt)).clamp(0.0, 0.05)
        [@task.collective_floor_rad + @collective_check + (0.0022 * error), @task.collective_floor_rad].max
      end

      def flare_collective
        top = @model.type.power_off_band[1] - 4.5
        check = @collective_check + (0.009 * (@model.rotor_pct - top))
        check += (0.02 * (@sink - 1.6)).clamp(0.0, 0.05) if @height < 6.0 && @speed < 16.0
        [@task.collective_floor_rad + check, @task.collective_floor_rad].max
      end

      def hover_collective
        wanted = (0.9 * (@height - HOVER_HEIGHT_M)).clamp(-1.0, 1.2)
        @hover_collective + (0.045 * (@sink - wanted))
      end

      # Spends the rotor's energy so that the sink is small when the skids meet the ground.
      def cushion(dt)
        return @task.collective_floor_rad if @model.on_ground && @model.time_s - @model.contact[:time_s] > 0.8

        wanted = 0.22 + (0.44 * @height)
        rate = @task.cushion_gain * ((0.25 * (@sink - wanted)) + (0.12 * @sink_rate))
        @cushion_collective = ((@cushion_collective || @model.collective) + (rate * dt))
                              .clamp(@task.collective_floor_rad, @model.rotor.collective_max)
      end

      def bank_command
        return 0.0 if @model.on_ground

        drift = low? ? @task.drift_m_s : 0.0
        gain = low? ? 0.0 : 0.012
        rate = low? ? 0.10 : 0.05
        (-(gain * @across) - (rate * (@ground_across - drift))).clamp(-0.3, 0.3)
      end

      def low? = %i[recovery cushion].include?(@phase) || (@phase == :flare && @height < 12.0)

      def yaw_command
        wanted = low? ? @task.course_rad : Math.atan2(@air_e, @air_n)
        error = Math.atan2(Math.sin(wanted - @model.heading), Math.cos(wanted - @model.heading))
        turn = @speed > 12.0 ? Quantities::G * Math.tan(@model.bank) / @speed : 0.0
        (1.2 * error) + turn
      end
    end
  end
end
