# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # Faults of a powered approach, held to the house's angle, the sink allowed at each speed, the decision and the
      # power.
      class Faults
        include Grading::FaultFinding

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

        private

        def descent = @attempt.phase('descent')
        def on_descent = descent ? samples(descent.start_s, descent.end_s) : []

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

        def too_steep = angle_off.positive? ? angle('too_steep') : nil
        def too_shallow = angle_off.negative? ? angle('too_shallow') : nil

        # How far outside what the standard lets pass, whatever the recording leaves open; 0 within.
        def angle_off
          held = measure('approach_angle_deg')
          return 0.0 unless held&.band && angle_deg

          room = held.uncertainty.to_f
          low, high = held.band.in
          [angle_deg - room - high, 0.0].max + [angle_deg + room - low, 0.0].min
        end

        def angle(id)
          wanted = measure('approach_angle_deg').band.target
          found(id, "#{angle_deg.round(1)}° over the ground, #{wanted.round(1)}° is wanted", ['approach_angle_deg'])
        end

        # Sink over what is allowed at that airspeed, below 30 kt, for a second or more.
        def sank_at_low_speed = @sank_at_low_speed ||= sank

        def sank
          airspeed = @signals[:airspeed] or return nil
          sink = @signals[:sink] or return nil
          held = measure('sink_over_allowed_fpm')&.band or return nil
          room = held.in[1]
          over =
            longest(on_descent, SANK_S) do |i|
              airspeed[i] < Measures::SLOW_KT && sink[i] > allowed_surely(airspeed[i]) + room
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

        # Broken off under the height of the decision, or continued past it with more sink than is allowed there.
        def late_decision
          decide = @context.house['decision_speed_kt'].round
          if bad?('break_off_height_ft')
            least = allowed('break_off_height_ft')[0].round
            found(
              'late_decision',
              "turned away at #{value('break_off_height_ft').round} ft, the decision is made by #{least} ft",
              ['break_off_height_ft']
            )
          else
            when_bad('late_decision', 'decision_sink_fpm') do |sank|
              "continued past #{decide} kt with #{sank.round} ft/min of sink, " \
                "#{allowed('decision_sink_fpm')[1].round} allowed"
            end
          end
        end

        # More power than the engine, or the exercise, allows.
        def power_cap_broken =
          when_bad('power_cap_broken', 'power_peak_pct') do |v|
            "#{v.round} % of the engine's limit, #{allowed('power_peak_pct')[1].round} % is the cap"
          end

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
