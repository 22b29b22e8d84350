# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # What the pilot's hands do from the flare on: one firm flare to the levelling height, the power back into a
      # hover, or the cushion. For Pilot, whose observations it reads.
      module FlareHands
        include Flight::Piloting

        LEVEL_HEIGHT_M = 2.6

        # Gains and thresholds of the flare and the recovery, fitted to clean flights of the shipped types: levelled at
        # 6 to 9 ft and under 30 kt, rotor rpm inside the power-off band, touchdown under 200 ft/min.
        FLARE_LATER_S = 0.1
        # Sink left at the levelling height; how the glide's is shed on the way to it.
        FLARED_SINK_M_S = 1.0
        FLARE_SHAPE = 2.6
        FLARE_GAIN = 0.075
        FLARE_DAMPING = 0.03
        FLARE_RAD = 0.235
        FLARE_RANGE_RAD = [0.11, 0.292].freeze
        # Slower than this there is little left to flare with, or, against a strong wind, to stop.
        LEVELLED_M_S = 8.0
        STOPPED_M_S = 3.0
        LEVELLED_RAD = 0.06
        LEVELLED_RANGE_RAD = [-0.05, 0.15].freeze
        LEVEL_M_S = 11.5
        LEVEL_BELOW_M = 5.0
        # The throttle is opened once rotor rpm falls again, at a speed from which a hover is near.
        PAST_PEAK_PCT = 0.5
        JOINED_M_S = 17.0
        # The power is back and the collective comes up from here down, before the sink that is left needs all of it at
        # once; so fast, a third of its travel a second. Where the ground would be met first, as fast as the time that
        # is left asks for, at the most twice that.
        PULL_BELOW_M = 6.5
        PULL_RAD_S = 0.07
        HURRIED_PULL_RAD_S = 0.14
        STOPPING_GAIN = 0.055
        STOPPING_RAD = [-0.05, 0.13].freeze
        CUSHION_PITCH_RAD = 0.03
        HOVER_SINKS_M_S = [-1.0, 1.2].freeze
        LOWERED_AFTER_S = 0.8
        LOW_M = 12.0
        # A check of the collective, at the most.
        CHECK_RAD = 0.05
        # In the flare rotor rpm is held so far below the band's top.
        BELOW_TOP_PCT = 4.5
        FLARE_ROTOR_GAIN = 0.009
        # A last check of the sink with the ground near.
        LAST_M = 6.0
        LAST_M_S = 16.0
        LAST_SINK_M_S = 1.6
        LAST_GAIN = 0.02

        private

        # So late that the flare's start, which is counted half a second before the pitch shows
        # (docs/reference/boundaries.md), lies near the flare height.
        def flare_trigger_m = @task.flare_height_m - (FLARE_LATER_S * @sink)

        def finish_flare
          recovering = @task.ending == :power_recovery
          @throttle_open = true if recovering && @rotor_peak - @model.rotor_pct > PAST_PEAK_PCT &&
            (@speed < JOINED_M_S || stopped? || @height < PULL_BELOW_M)
          level = @height <= LEVEL_HEIGHT_M || ((@speed <= LEVEL_M_S || stopped?) && @height < LEVEL_BELOW_M)
          return unless level

          @throttle_open = recovering
          @phase = recovering ? :recovery : :cushion
        end

        def stopped? = @ground_along < STOPPED_M_S

        # Sink that sheds the glide's sink evenly with height down to the levelling height, m/s.
        def flare_sink
          fraction = ((@height - LEVEL_HEIGHT_M) / (@task.flare_height_m - LEVEL_HEIGHT_M)).clamp(0.0, 1.0)
          FLARED_SINK_M_S + ((@restored.sink - FLARED_SINK_M_S) * (fraction**FLARE_SHAPE))
        end

        # One firm flare: pitch for that sink, with a damping look at how fast it changes.
        def flare_pitch
          lift = (FLARE_GAIN * (@sink - flare_sink)) + (FLARE_DAMPING * @sink_rate)
          full = (FLARE_RAD + lift).clamp(*FLARE_RANGE_RAD)
          full = (LEVELLED_RAD + lift).clamp(*LEVELLED_RANGE_RAD) if @speed < LEVELLED_M_S || stopped?
          @restored.pitch + (@task.flare_gain * (full - @restored.pitch))
        end

        def pulling? = @throttle_open && @height < PULL_BELOW_M

        # The collective comes up evenly, so that the hover's power is there when the speed is gone.
        def pull(dt)
          wanted = (HOVER_SINK_PER_M * (@height - @task.hover_height_m)).clamp(*HOVER_SINKS_M_S)
          aim = level_trim + (HOVER_GAIN * (@sink - wanted))
          @pulled ||= @model.collective
          @pulled += (aim - @pulled).clamp(-PULL_RAD_S * dt, pull_rate(aim - @pulled) * dt)
        end

        # The whole of what is wanted before the ground is met at the sink of now.
        def pull_rate(wanted) =
          @sink.positive? ? (wanted * @sink / @height).clamp(PULL_RAD_S, HURRIED_PULL_RAD_S) : PULL_RAD_S

        def flare_collective(dt)
          return pull(dt) if pulling?

          top = @model.type.power_off_band[1] - BELOW_TOP_PCT
          check = @collective_check + (FLARE_ROTOR_GAIN * (@model.rotor_pct - top))
          check += (LAST_GAIN * (@sink - LAST_SINK_M_S)).clamp(0.0, CHECK_RAD) if last?
          [@task.collective_floor_rad + check, @task.collective_floor_rad].max
        end

        # Levelling, with the ground near.
        def last? = @height < LAST_M && @speed < LAST_M_S

        # Collective of level flight at the speed that is left, near the ground.
        def level_trim
          knots = (@speed / Quantities::KT).round
          (@level_trims ||= {})[knots] ||= @trim.at(knots, 0.0, height_m: @task.hover_height_m).collective_rad
        end

        # Spends the rotor's energy so that the sink is small when the skids meet the ground.
        def cushion(dt)
          stood_s = @model.on_ground ? @model.time_s - @model.contact[:time_s] : 0.0
          return @task.collective_floor_rad if stood_s > LOWERED_AFTER_S

          cushioned(@task.cushion_gain, @task.collective_floor_rad, dt)
        end
      end
    end
  end
end
