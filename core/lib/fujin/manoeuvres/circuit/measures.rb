# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Circuit
      # Measures of a circuit: height, speed, track and spacing of its legs, and the state where the approach angle is
      # met.
      class Measures
        include Grading::Measuring

        # @return [Hash{String => Measure}]
        def measures
          attempt.phases.each { |leg| take(leg) }
          @taken
        end

        # The course it landed on: given, or the mean track of the final leg.
        def course_deg
          @course_deg ||=
            context.course_deg ||
            attempt.phase('final')&.then { |leg| over(:track, leg.start_s, leg.end_s - 5.0) { |v| mean(v) % 360.0 } }
        end

        def gate_s = nil

        private

        def take(leg)
          case leg.id
          when 'upwind' then take_upwind(leg)
          when 'crosswind' then put('crosswind_track_off_deg', 'crosswind', crosswind_off(leg))
          when 'downwind' then take_downwind(leg)
          when 'base' then take_base(leg)
          when 'final' then take_final(leg)
          end
        end

        def take_upwind(leg)
          seconds = leg.end_s - leg.start_s
          put('upwind_climb_fpm', 'upwind', -height_lost(leg.start_s, leg.end_s) / [seconds, 1.0].max * 60.0)
          put('first_turn_height_ft', 'upwind', signals.at(:agl, leg.end_s) - zero)
        end

        def take_downwind(leg)
          put('downwind_height_mean_ft', 'downwind', over(:agl, leg.start_s, leg.end_s) { |v| mean(v) - zero })
          put('downwind_height_max_off_ft', 'downwind', over(:agl, leg.start_s, leg.end_s) { |v| largest_off(v) })
          put('downwind_ias_mean_kt', 'downwind', over(:ias, leg.start_s, leg.end_s) { |v| mean(v) })
          put('downwind_track_off_deg', 'downwind', track_off(leg))
          put('spacing_ft', 'downwind', spacing(leg))
        end

        def take_base(leg)
          put('base_height_ft', 'base', signals.at(:agl, leg.start_s) - zero)
          put('base_ias_mean_kt', 'base', over(:ias, leg.start_s, leg.end_s) { |v| mean(v) })
        end

        def take_final(leg)
          put('final_ias_mean_kt', 'final', over(:ias, leg.start_s, leg.end_s) { |v| mean(v) })
          met = angle_met(leg)
          put(
            'set_up_height_ft',
            'final',
            met && (signals.at(:agl, met) - zero),
            reason: 'the approach angle is never met on the final leg'
          )
          put(
            'set_up_after_s',
            'final',
            met && (met - leg.start_s),
            reason: 'the approach angle is never met on the final leg'
          )
          put('approach_angle_deg', 'final', -> { Grading::ApproachAngle.of(signals, leg.start_s, leg.end_s) })
          put(
            'set_up_ias_kt',
            'final',
            met && signals.at(:ias, met),
            reason: 'the approach angle is never met on the final leg'
          )
          put(
            'set_up_distance_ft',
            'final',
            met && to_go(met),
            reason: 'the approach angle is never met on the final leg'
          )
        end

        # Mean track against square to the final course, + to the right.
        def crosswind_off(leg)
          course = course_deg or return nil
          over(:track, leg.start_s, leg.end_s) do |v|
            off = Quantities.wrap_deg(mean(v) - course)
            off - (off.negative? ? -90.0 : 90.0)
          end
        end

        # Mean track against straight back along the final course, + to the right.
        def track_off(leg)
          course = course_deg or return nil
          over(:track, leg.start_s, leg.end_s) { |v| Quantities.wrap_deg(mean(v) - course - 180.0) }
        end

        # Mean distance of the leg from the line of the final course through where it landed.
        def spacing(leg)
          return nil unless course_deg && signals.signal?(:lat) && signals.coverage(:lat, leg.start_s, leg.end_s) > 0.8

          across = numbers(range_of(leg.start_s, leg.end_s).map { |i| landed.across(i) })
          across.empty? ? nil : mean(across).abs
        end

        # From where it landed, along the final course.
        def landed
          @landed ||= begin
            at = attempt.event(:stopped_s) || attempt.end_s
            Grading::AboutSpot.new(signals, [signals.at(:lat, at), signals.at(:lon, at)], course_deg || 0.0)
          end
        end

        def to_go(time) = landed.distance(signals.index(time))

        # First moment on the final leg at which the path to the landing is as steep as the house's angle.
        def angle_met(leg)
          return nil unless signals.signal?(:lat) && signals.signal?(:agl)

          wanted = Math.tan(context.house['normal_angle_deg'] * Quantities::DEG)
          (signals.index(leg.start_s)..signals.index(leg.end_s)).map { |i| signals.time(i) }.find do |t|
            distance = to_go(t)
            distance > 50.0 && (signals.at(:agl, t) - zero) / distance >= wanted
          end
        end
      end
    end
  end
end
