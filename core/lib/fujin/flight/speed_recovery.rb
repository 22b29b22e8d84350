# frozen_string_literal: true

module Fujin
  module Flight
    # From a near-vertical descent without power to a glide speed: nose down to a disc attitude, eased as the speed
    # comes back, collective holding rotor rpm. Flown by the model in still air.
    class SpeedRecovery
      # Height is 0 at the start.
      Row = Struct.new(:t_s, :ahead_m, :height_m, :ias_kt, :sink_m_s, :rotor_pct, :load_factor)
      Result =
        Value.define(
          :rows, :reached_s, :height_lost_m, :steady_height_lost_m, :lowest_rotor_pct, :greatest_sink_m_s,
          :least_load_factor
        )

      LONGEST_S = 45.0
      START_M = 1000.0
      # How the nose is eased: radians a m/s of speed still wanted, and a m/s² of acceleration.
      EASE_SPEED = 0.05
      EASE_ACCELERATION = 0.06
      REACHED_WITHIN_KT = 1.0
      STEADY_SHARE = 0.10

      # @param disc_pitch_deg [Float] the nose-down limit, negative
      # @param from_kt [Float] airspeed of the steady descent it begins in
      def initialize(conditions, to_kt:, from_kt: 0.0, disc_pitch_deg: -20.0)
        @conditions = conditions
        @type = conditions.type
        @to_kt = to_kt
        @from_kt = from_kt
        @lowest_pitch = disc_pitch_deg * Quantities::DEG
      end

      # @return [Result]
      # @raise [OutsideModel] when the speed does not come back within the model's run
      def run
        start
        rows = [row]
        reached = steady = nil
        while @model.time_s < LONGEST_S && !(reached && steady)
          @model.step(controls)
          rows << row
          reached ||= @model.time_s if speed_kt >= @to_kt - REACHED_WITHIN_KT
          steady ||= START_M - @model.position[2] if reached &&
            ((-@model.velocity[2] / @glide_sink) - 1.0).abs < STEADY_SHARE
        end
        @model.check_energy
        unless reached
          raise OutsideModel, Text.of('%{to_kt} kt does not come back within %{longest_s} s',
                                      to_kt: @to_kt.round, longest_s: LONGEST_S.round)
        end

        summary(rows, reached, steady)
      end

      private

      def summary(rows, reached, steady)
        there = rows.find { |row| row.t_s >= reached - 1e-9 }
        Result.new(
          rows: rows.freeze,
          reached_s: reached,
          height_lost_m: -there.height_m,
          steady_height_lost_m: steady || -rows.last.height_m,
          lowest_rotor_pct: rows.map(&:rotor_pct).min,
          greatest_sink_m_s: rows.map(&:sink_m_s).max,
          least_load_factor: rows.map(&:load_factor).min
        )
      end

      def start
        glide, descent = steady_states
        @glide_sink = glide[0]
        @glide_pitch = glide[1]
        @model = Model.on(@conditions)
        @model.start(height_m: START_M, speed_kt: @from_kt, course_rad: 0.0, sink_m_s: descent)
        @collective = @model.collective
        @check = 0.0
        @previous = nil
      end

      # Sink and disc pitch of the glide, and the sink of the descent it begins in.
      def steady_states
        if @type.helicopter?
          trim = @conditions.trim
          sink = trim.autorotation_sink_m_s(@to_kt)
          [[sink, trim.at(@to_kt, sink).disc_pitch_rad], trim.autorotation_sink_m_s(@from_kt)]
        else
          gyro = @conditions.gyro_trim
          glide = gyro.power_off(@to_kt)
          [[glide.sink_m_s, glide.disc_pitch_rad], gyro.power_off(@from_kt).sink_m_s]
        end
      end

      def controls
        speed = Math.hypot(@model.velocity[0], @model.velocity[1])
        acceleration = @previous ? (speed - @previous) / Model::STEP_S : 0.0
        @previous = speed
        wanted = @conditions.atmosphere.true_speed(@to_kt * Quantities::KT)
        pitch = [@glide_pitch + (EASE_SPEED * (speed - wanted)) + (EASE_ACCELERATION * acceleration), @lowest_pitch].max
        error = @model.rotor_pct - 100.0
        @check += Piloting::ROTOR_INTEGRAL * error * Model::STEP_S
        Controls.new(
          pitch,
          0.0,
          [@collective + @check + (Piloting::ROTOR_GAIN * error), @model.rotor.collective_min].max,
          0.0,
          0.0,
          false
        )
      end

      def speed_kt =
        @conditions.atmosphere.equivalent_speed(Math.hypot(@model.velocity[0], @model.velocity[1])) / Quantities::KT

      def row
        Row.new(@model.time_s, @model.position[0], @model.position[2] - START_M, speed_kt, -@model.velocity[2],
                @model.rotor_pct, @model.thrust_n / (@conditions.mass_kg * Quantities::G))
      end
    end
  end
end
