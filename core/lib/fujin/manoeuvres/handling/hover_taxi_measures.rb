# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Measures of a hover taxi: the pace, how straight, how level, how still the nose, and where it stopped.
      class HoverTaxiMeasures
        include Grading::Measuring
        include Grading::PowerPull
        include Reversals

        NOT_SAID = 'the exercise does not say how far'

        # @return [Hash{String => Measure}] those that the manoeuvre declares
        def measures
          taxi = attempt.phase('taxi')
          take_taxi(taxi.start_s, taxi.end_s) if taxi
          stop = attempt.phase('stop')
          put('taxi_stop_ft', 'stop', -> { stop_off(stop.end_s) }, reason: NOT_SAID) if stop
          @taken.slice(*manoeuvre.measure_ids)
        end

        def course_deg = @course_deg ||= context.course_deg || mean_track
        def gate_s = nil

        private

        def take_taxi(from, to)
          put('taxi_speed_kt', 'taxi', over(:gs, from, to) { |v| mean(v) })
          put('taxi_speed_max_kt', 'taxi', over(:gs, from, to, &:max))
          put('taxi_track_off_ft', 'taxi', -> { track_off(from, to) })
          put('taxi_height_max_off_ft', 'taxi', over(:agl, from, to) { |v| largest_off(v, v.first) })
          put('taxi_heading_max_deg', 'taxi', over(:heading, from, to) { |v| largest_off(v, v.first) })
          put('taxi_way_deg', 'taxi', -> { way(from, to) })
          put('control_reversals_per_min', 'taxi', reversals(from, to))
          take_power_pull('taxi', from, to)
        end

        # Farthest beside the line from where it began, satellite tremble smoothed off.
        def track_off(from, to)
          return nil unless course_deg && signals.coverage(:lat, from, to) > 0.8

          across = range_of(from, to).map { |i| line(from).across(i) }
          numbers(Recordings::Smoothing.mean(across, signals.samples(0.5))).map(&:abs).max
        end

        def line(from) =
          @line ||= Grading::AboutSpot.new(signals, [signals.at(:lat, from), signals.at(:lon, from)], course_deg)

        # Which way it went, degrees from the nose: the mean direction.
        def way(from, to)
          offs =
            range_of(from, to).map do |i|
              Quantities.wrap_deg(signals[:track][i] - signals[:heading][i]) * Quantities::DEG
            end
          known = numbers(offs)
          return nil if known.empty?

          Math.atan2(known.sum { |rad| Math.sin(rad) }, known.sum { |rad| Math.cos(rad) }) / Quantities::DEG % 360.0
        end

        # How far from where it was to stop, either way; nil when nobody said how far.
        def stop_off(at)
          return nil unless context.exercise == manoeuvre.id && course_deg

          gone = line(attempt.start_s).place_at(at)[0]
          gone.nan? ? nil : (gone - context.plan_of(manoeuvre).value('taxi_ft')).abs
        end

        def mean_track
          tracks = signals.window(:track, attempt.start_s, attempt.end_s)
          tracks.empty? ? nil : Quantities.median(tracks) % 360.0
        end
      end
    end
  end
end
