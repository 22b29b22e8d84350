# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Departure
      # Measures of a take-off from hover or ground: height lost on the way through translational lift, power added,
      # the height where climb speed came, and the time spent where an engine failure has no good answer.
      class Measures
        include Grading::Measuring

        # What the power stood at before it began is looked at for so long.
        BEFORE_S = 4.0
        # Slower, a track is chance.
        TRACKED_KT = 20.0

        # @return [Hash{String => Measure}]
        def measures
          from = attempt.start_s
          off = attempt.phase('take_off')
          if off
            put('transition_sink_ft', 'take_off', over(:agl, from, off.end_s) { |v| [v.first - v.min, 0.0].max })
          end
          put('power_added_pct', 'take_off', -> { power_added_pct(from, attempt.end_s) })
          put('power_peak_pct', 'take_off', -> { power_peak_pct(from, attempt.end_s) })
          put('avoid_area_s', 'take_off', -> { avoid_area_s }) if area.known?
          put('climb_speed_height_ft', 'climb', signals.at(:agl, attempt.end_s) - zero)
          put('climb_track_off_deg', 'climb', -> { track_off }, reason: 'it was never fast enough to have a track')
          @taken.slice(*manoeuvre.measure_ids)
        end

        def course_deg = @course_deg ||= context.course_deg
        def gate_s = nil

        private

        def area = @area ||= Planning::HeightVelocity.new(context.type)

        def avoid_area_s
          (signals.index(attempt.start_s)..signals.index(attempt.end_s)).count do |i|
            area.inside?(signals[:agl][i] - zero, signals[:ias][i])
          end * signals.step_s
        end

        def power_peak_pct(from, to)
          power = Grading::EnginePower.new(signals, context)
          range_of(from, to).filter_map { |i| power.pct(i) }.max
        end

        # The most that was taken beyond what it hovered with, percent of the engine's limit.
        def power_added_pct(from, to)
          power = Grading::EnginePower.new(signals, context)
          before =
            (signals.index([from - BEFORE_S, signals.start_s].max)..signals.index(from)).filter_map { |i| power.pct(i) }
          after = (signals.index(from)..signals.index(to)).filter_map { |i| power.pct(i) }
          before.empty? || after.empty? ? nil : after.max - Quantities.median(before)
        end

        # Largest departure of the track from its own mean, once there is speed to have one.
        def track_off
          values =
            numbers(
              range_of(attempt.start_s, attempt.end_s).map { |i| signals[:track][i] if signals[:gs][i] > TRACKED_KT }
            )
          values.empty? ? nil : largest_off(values)
        end
      end
    end
  end
end
