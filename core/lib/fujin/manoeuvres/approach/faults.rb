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
          found(id, Text.of('%{angle_deg}° over the ground, %{wanted}° is wanted',
                            angle_deg: angle_deg.round(1), wanted: wanted.round(1)), ['approach_angle_deg'])
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
            Text.of('%{sink} ft/min at %{airspeed} kt, %{sink_allowed_fpm} allowed',
                    sink: sink[worst].round, airspeed: airspeed[worst].round,
                    sink_allowed_fpm: @context.house.sink_allowed_fpm(airspeed[worst]).round),
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
              Text.of('turned away at %{break_off_height_ft} ft, the decision is made by %{least} ft',
                      break_off_height_ft: value('break_off_height_ft').round, least: least),
              ['break_off_height_ft']
            )
          else
            when_bad('late_decision', 'decision_sink_fpm') do |sank|
              Text.of('continued past %{decide} kt with %{sank} ft/min of sink, %{decision_sink_fpm} allowed',
                      decide: decide, sank: sank.round, decision_sink_fpm: allowed('decision_sink_fpm')[1].round)
            end
          end
        end

        # More power than the engine, or the exercise, allows.
        def power_cap_broken =
          when_bad('power_cap_broken', 'power_peak_pct') do |v|
            Text.of("%{value} % of the engine's limit, %{power_peak_pct} % is the cap",
                    value: v.round, power_peak_pct: allowed('power_peak_pct')[1].round)
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
            Text.of('%{off} ft %{side} of the line', off: off[0].abs.round, side: off[0].positive? ? 'right' : 'left'),
            ['miss_across_ft'],
            to: @signals.time(off[1])
          )
        end
      end
    end
  end
end
