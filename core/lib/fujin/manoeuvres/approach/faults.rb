# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # Faults of a powered approach, held to the house's angle, the sink allowed at each speed, the decision and the
      # power.
      class Faults
        include Grading::FaultFinding

        # Off the angle by more than this is another approach, degrees.
        ANGLE_ROOM_DEG = 2.0
        SINK_ROOM_FPM = 50.0
        # What the wind triangle leaves open of a slow airspeed, kt.
        SLOW_ROOM_KT = 3.0
        # A descent takes so long to come onto its line; so long of it tells the angle where it sank high up, s.
        EASED_S = 4.0
        ON_THE_LINE_S = 8.0
        SANK_S = 1.0
        SANK_BUILDS_S = 2.0
        # Beside the line below this height by more than this is off it, ft.
        LINE_BELOW_FT = 200.0
        LINE_ROOM_FT = 60.0
        # Slower than the decision speed by this when it turned away: the speed was gone before the decision.
        DECISION_ROOM_KT = 4.0
        # The power is pulled so long before the lowest point, at most.
        AWAY_S = 6.0
        # Over the cap for this long, by more than its instrument's error, percent of the engine's limit.
        POWER_ROOM_PCT = 2.5
        POWER_HELD_S = 1.0

        private

        def descent = @attempt.phase('descent')
        def on_descent = descent ? samples(descent.start_s, descent.end_s) : []
        def wanted_deg = @context.approach_angle_deg(@manoeuvre)

        # The path's angle, before it sank too fast if it did: what came of the sinking is not its cause.
        def angle_deg
          # One that was left has only the beginning of an angle.
          return nil unless value('approach_angle_deg') && @attempt.result == :completed

          if sank_at_low_speed
            until_it_sank = sank_at_low_speed.from_s - SANK_BUILDS_S
            Grading::ApproachAngle.of(@signals, descent.start_s, until_it_sank) ||
              Grading::ApproachAngle.of(
                @signals,
                [descent.start_s + EASED_S, until_it_sank - ON_THE_LINE_S].max,
                until_it_sank,
                from_ft: Float::INFINITY
              )
          else
            value('approach_angle_deg')
          end
        end

        def too_steep = angle_deg && angle_deg - angle_room > wanted_deg ? angle('too_steep') : nil
        def too_shallow = angle_deg && angle_deg + angle_room < wanted_deg ? angle('too_shallow') : nil
        def angle_room = ANGLE_ROOM_DEG + measure('approach_angle_deg').uncertainty.to_f

        def angle(id) =
          found(id, "#{angle_deg.round(1)}° over the ground, #{wanted_deg}° is wanted", ['approach_angle_deg'])

        # Sink over what is allowed at that airspeed, below 30 kt, for a second or more.
        def sank_at_low_speed = @sank_at_low_speed ||= sank

        def sank
          airspeed = @signals[:airspeed] or return nil
          sink = @signals[:sink] or return nil
          over =
            longest(on_descent, SANK_S) do |i|
              airspeed[i] < Measures::SLOW_KT && sink[i] > allowed_surely(airspeed[i]) + SINK_ROOM_FPM
            end or return nil
          worst = over.max_by { |i| sink[i] }
          found(
            'sank_at_low_speed',
            "#{sink[worst].round} ft/min at #{airspeed[worst].round} kt, " \
              "#{@context.house.sink_allowed_fpm(airspeed[worst]).round} allowed",
            ['sink_max_below_30_kt_fpm'],
            from: @signals.time(over.first),
            to: @signals.time(over.last)
          )
        end

        # Slow, the airspeed is the wind's and no surer than that: nobody is accused by it.
        def allowed_surely(airspeed_kt)
          room = airspeed_kt < Recordings::Signals::DEAD_KT ? SLOW_ROOM_KT : 0.0
          @context.house.sink_allowed_fpm(airspeed_kt + room)
        end

        # Broken off with the speed already gone, or continued past the decision with more sink than is allowed there.
        def late_decision
          decide = @context.house['decision_speed_kt']
          return nil unless descent && @signals.signal?(:ias)

          at = descent.end_s
          left = @signals.window(:ias, [at - AWAY_S, descent.start_s].max, at).min || decide
          if @attempt.result == :go_around
            return nil unless left < decide - DECISION_ROOM_KT

            return (
              found(
                'late_decision',
                "turned away at #{left.round} kt, the decision is made by #{decide.round} kt",
                ['decision_height_ft'],
                from: at - AWAY_S,
                to: at
              )
            )
          end
          allowed = @context.house.sink_allowed_fpm(decide)
          sank = value('decision_sink_fpm')
          return nil unless sank && sank > allowed + (2 * SINK_ROOM_FPM)

          found(
            'late_decision',
            "continued past #{decide.round} kt with #{sank.round} ft/min of sink, #{allowed.round} allowed",
            ['decision_sink_fpm']
          )
        end

        # More power than the engine, or the exercise, allows.
        def power_cap_broken
          power = Grading::EnginePower.new(@signals, @context)
          return nil unless power.recorded?

          cap = cap_pct(power)
          finish = @attempt.event(:contact_s) || @attempt.end_s
          run =
            longest(samples(@attempt.start_s, finish), POWER_HELD_S) { |i| power.pct(i).to_f > cap + POWER_ROOM_PCT } or
            return nil
          found(
            'power_cap_broken',
            "#{run.map { |i| power.pct(i) }.max.round} % of the engine's limit, #{cap.round} % is the cap",
            ['power_peak_pct'],
            from: @signals.time(run.first),
            to: @signals.time(run.last)
          )
        end

        # Percent of the engine's limit: the limit itself.
        def cap_pct(_power) = 100.0

        # Off the line of the final course through the spot, low on the approach.
        def drifted_off_track
          return nil unless @context.spot && @course_deg && @signals.signal?(:agl)

          about = Grading::AboutSpot.new(@signals, @context.spot, @course_deg)
          low = on_descent.select { |i| @signals[:agl][i] - @signals.agl_zero_ft < LINE_BELOW_FT }
          off = low.map { |i| [about.across(i), i] }.reject { |ft, _| ft.nan? }.max_by { |ft, _| ft.abs }
          return nil unless off && off[0].abs > LINE_ROOM_FT

          found(
            'drifted_off_track',
            "#{off[0].abs.round} ft #{off[0].positive? ? 'right' : 'left'} of the line",
            ['miss_across_ft'],
            to: @signals.time(off[1])
          )
        end
      end
    end
  end
end
