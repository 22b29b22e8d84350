# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Flies an autorotation by looking at the model's state, as a competent pilot would: set-up, entry, glide, with
      # the turns onto the final course if there are any, flare, then a power recovery to a hover or a cushioned
      # touchdown.
      class Pilot
        include FlareHands

        # A low airspeed is held for so long; then the nose goes down no further than this until the glide's is back
        # (SpeedRecovery).
        SLOW_HELD_S = 8.0
        SLOW_WITHIN_M_S = 2.5
        NOSE_DOWN_RAD = 20.0 * Quantities::DEG
        CLOSED = Flight::Controls.new(0.0, 0.0, 0.0, 0.0, 0.0, false).freeze

        # Rotor rpm after the entry: brought back to this first, for so long.
        COME_BACK_PCT = 99.0
        COMING_BACK_S = 5.0
        attr_reader :phase

        # @param spot [Array(Float, Float), nil] through which the final line runs; nil, wherever the last turn ends
        def initialize(task, model, spot: SPOT)
          @task = task
          @model = model
          @spot = spot
          @phase = :setup
          @trim = model.trim
          @paced = aim(task.glide_speed_kt, task.target_rotor_pct)
          @restored = task.restored_speed_kt ? aim(task.restored_speed_kt, task.restored_rotor_pct) : @paced
          @level = @trim.at(task.entry_speed_kt, 0.0)
          @slow_pitch = task.slow_kt && @trim.at(task.slow_kt, @trim.autorotation_sink_m_s(task.slow_kt)).disc_pitch_rad
          @speed_integral = @collective_check = 0.0
          @pedal = model.torque_share
          @rotor_peak = 0.0
          @throttle_open = true
          @turns = task.turns_rad.dup
          @course = task.course_rad - task.turns_rad.sum
          @origin = (@spot if task.turns_rad.empty?) || model.position.first(2)
        end

        # Starts the pilot already gliding, for a run that begins at the flare.
        def begin_in_glide
          @phase = :glide
          @throttle_open = false
          @closure_at = -10.0
          @collective_check = (@model.collective - @task.collective_floor_rad).clamp(0.0, CHECK_RAD)
          self
        end

        # @return [Controls] for the next step
        def fly(dt)
          observe(dt)
          change_phase
          follow_torque(@task.pedal_lag_s, dt)
          Flight::Controls.new(
            pitch_command(dt),
            bank_command(dt),
            collective_command(dt),
            @pedal,
            yaw_command,
            @throttle_open
          )
        end

        # The hover is established, or it stands.
        def settled?
          still = Math.hypot(@model.velocity[0], @model.velocity[1])
          case phase
          when :recovery then still < HOVERING_M_S && @model.velocity[2].abs < STANDING_M_S
          when :cushion then @model.on_ground && still < STANDING_M_S
          else false
          end
        end

        private

        # What is held in the glide; one that is flown faster or slower ends at a height, above the gate.
        Aim = Struct.new(:speed_kt, :rotor_pct, :pitch, :sink)
        private_constant :Aim

        def aim(speed_kt, rotor_pct)
          sink = @trim.autorotation_sink_m_s(speed_kt)
          Aim.new(speed_kt, rotor_pct, @trim.at(speed_kt, sink).disc_pitch_rad, sink)
        end

        def glide = @task.restore_below_m && @height <= @task.restore_below_m ? @restored : @paced

        # The highest rotor rpm of the flare is what the throttle waits for.
        def observe(dt)
          super
          @rotor_peak = [@rotor_peak, @model.rotor_pct].max if @phase == :flare
        end

        def change_phase
          case @phase
          when :setup then close_throttle if @model.time_s >= @task.closure_s
          when :entry then @phase = :glide if @model.time_s >= @closure_at + @task.collective_delay_s
          when :glide then end_glide
          when :turn then end_turn
          when :slow then end_slow
          when :flare then finish_flare
          end
        end

        def end_glide
          return @phase = :flare if @height <= flare_trigger_m

          return unless @model.time_s >= @closure_at + @task.turn_after_s
          return begin_turn if @turns.any?

          @phase = :slow if @task.slow_kt && !@slow_since
        end

        def end_slow
          @slow_since ||= @model.time_s if @speed < (@task.slow_kt * Quantities::KT) + SLOW_WITHIN_M_S
          @phase = :glide if @slow_since && @model.time_s >= @slow_since + SLOW_HELD_S
        end

        # The heading changes by the turn and by what the drifts differ: on this track now, on the next in the glide.
        def begin_turn
          @phase = :turn
          change = @turns.shift
          speed = Math.hypot(@air_n, @air_e)
          @turn =
            BankedTurn.new(
              turn_rad: change + drift(@course + change, glide_speed) - drift(@course, speed),
              bank_rad: @task.bank_rad
            )
          @course += change
          @air_heading = nil
        end

        def glide_speed = @trim.atmosphere.true_speed(glide.speed_kt * Quantities::KT)

        # Drift angle that holds a track, radians.
        def drift(track, speed)
          north, east = @model.wind_here
          Math.asin((((north * Math.sin(track)) - (east * Math.cos(track))) / speed).clamp(-1.0, 1.0))
        end

        # Out on the final course the line is the spot's.
        def end_turn
          return @phase = :flare if @height <= flare_trigger_m
          return unless @turn.over?(@model.bank)
          return begin_turn if @turns.any?

          @origin = @spot || @model.position.first(2)
          @phase = :glide
        end

        def course_rad = @course
        def line_origin = @origin

        def bank_command(dt)
          return keep_line(@task.drift_m_s) unless @phase == :turn

          heading = Math.atan2(@air_e, @air_n)
          turned = @air_heading ? Math.atan2(Math.sin(heading - @air_heading), Math.cos(heading - @air_heading)) : 0.0
          @air_heading = heading
          @turn.fly(turned, @model.bank, Math.hypot(@air_n, @air_e), dt)
        end

        def close_throttle
          @phase = :entry
          @closure_at = @model.time_s
          @throttle_open = false
        end

        def pitch_command(dt)
          case @phase
          when :setup then hold_speed(@task.entry_speed_kt, @level.disc_pitch_rad, dt)
          when :slow then hold_speed(@task.slow_kt, @slow_pitch, dt)
          when :glide then winning_back? ? winning_pitch : hold_speed(glide.speed_kt, glide.pitch, dt)
          when :entry, :turn then hold_speed(glide.speed_kt, glide.pitch, dt)
          when :flare then flare_pitch
          when :recovery then (STOPPING_GAIN * @ground_along).clamp(*STOPPING_RAD)
          else @model.on_ground ? 0.0 : CUSHION_PITCH_RAD
          end
        end

        def winning_back? =
          @slow_since && !@won_back && !(@won_back = @speed > (@task.glide_speed_kt * Quantities::KT) - SLOW_WITHIN_M_S)

        # Eased as the speed comes back.
        def winning_pitch
          wanted = (@task.glide_speed_kt * Quantities::KT) - @speed
          [
            @paced.pitch - (Flight::SpeedRecovery::EASE_SPEED * wanted) +
              (Flight::SpeedRecovery::EASE_ACCELERATION * @acceleration),
            -NOSE_DOWN_RAD
          ].max
        end

        def collective_command(dt)
          case @phase
          when :setup then @level.collective_rad + keep_height(@task.entry_height_m)
          when :entry then @model.collective
          when :glide, :turn, :slow then check_rotor(glide.rotor_pct, dt)
          when :flare then flare_collective(dt)
          when :recovery then pull(dt)
          else cushion(dt)
          end
        end

        # Small collective checks hold the target rotor rpm; the stop is the lowest.
        def check_rotor(target, dt)
          # First all the way down; the target, even a wrong one, is sought once the rotor has come back.
          target = [target, COME_BACK_PCT].max if @closure_at && @model.time_s - @closure_at < COMING_BACK_S
          error = @model.rotor_pct - target
          @collective_check = (@collective_check + (ROTOR_INTEGRAL * error * dt)).clamp(0.0, CHECK_RAD)
          [@task.collective_floor_rad + @collective_check + (ROTOR_GAIN * error), @task.collective_floor_rad].max
        end

        def low? = %i[recovery cushion].include?(@phase) || (@phase == :flare && @height < LOW_M)
      end
    end
  end
end
