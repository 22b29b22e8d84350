# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module HoveringAutorotation
      # Flies a hovering autorotation: a steady hover into wind, the throttle closed, the collective left alone until
      # it has settled, then the cushion, and down with it once the skids carry.
      class Pilot
        include Flight::Piloting

        # Faults it can have, with the unit of each value.
        FAULTS = {
          'yaw_uncorrected' => 's',
          'raised_collective' => 'pct',
          'weak_cushion' => 'gain',
          'drift_at_contact' => 'kt',
          'not_level' => 'deg'
        }.freeze

        # The nose is lifted so shortly before contact, one who lands tail-low; the drift is let in once the power is
        # off.
        LIFTED_M = 0.5
        # The cushion begins once so much of the height is left.
        SETTLED_SHARE = 0.8
        LOWERED_AFTER_S = 0.8
        LOWERED_RAD_S = 0.12

        # Gains that hold the hover's place, fitted: it stays within a yard.
        STILL_GAIN = 0.06
        PLACE_GAIN = 0.02
        STILL_RAD = 0.12

        attr_reader :phase

        # @param task [HoveringAutorotation::Task], @param model [Model]
        def initialize(task, model)
          @task = task
          @model = model
          @phase = :hover
          @pedal = model.torque_share
          @hover = model.trim.at(task.headwind_kt, 0.0, height_m: task.height_m)
        end

        # @return [Controls] for the next step
        def fly(dt)
          observe(dt)
          change_phase
          follow_torque(@task.pedal_lag_s, dt)
          Flight::Controls.new(
            pitch_command,
            keep_line(closed? ? @task.drift_m_s : 0.0),
            collective_command(dt),
            @pedal,
            yaw_command,
            !closed?
          )
        end

        def settled? = @model.on_ground && Math.hypot(@model.velocity[0], @model.velocity[1]) < STANDING_M_S

        private

        def low? = true
        def closed? = @phase != :hover

        def change_phase
          if @phase == :hover && @model.time_s >= @task.closure_s
            @phase = :entry
            @held = @model.collective
          end
          @phase = :cushion if @phase == :entry && @height < SETTLED_SHARE * @task.height_m
        end

        def pitch_command
          return 0.0 if @model.on_ground
          return @task.contact_pitch_rad if closed? && @task.contact_pitch_rad.positive? && @height < LIFTED_M

          (@hover.disc_pitch_rad + (STILL_GAIN * @ground_along) + (closed? ? 0.0 : PLACE_GAIN * @along)).clamp(
            -STILL_RAD, STILL_RAD)
        end

        def collective_command(dt)
          return lowered(dt) if @model.on_ground

          case @phase
          when :hover
            @hover.collective_rad + (HOVER_GAIN * (@sink - (HOVER_SINK_PER_M * (@height - @task.height_m)).clamp(-1.0,
                                                                                                                 1.0)))
          when :entry
            @held + @task.raised_rad
          else
            cushioned(@task.cushion_gain, @held, dt)
          end
        end

        # Down once the skids carry, not before.
        def lowered(dt)
          return @model.collective if @model.time_s < @model.contact[:time_s] + LOWERED_AFTER_S

          @down = [(@down || @model.collective) - (LOWERED_RAD_S * dt), @model.rotor.collective_min].max
        end
      end
    end
  end
end
