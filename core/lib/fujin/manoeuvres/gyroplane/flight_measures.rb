# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Measures of a gyroplane's slow flight, vertical descent with its recovery, and balked landing: how slow, how
      # steady, how much height it took and left.
      class FlightMeasures
        include Grading::Measuring
        include Grading::SetUp

        # @return [Hash{String => Measure}] those that the manoeuvre declares
        def measures
          from = attempt.start_s
          to = attempt.end_s
          first = attempt.phases.first.id
          take_speed(first, from, to)
          take_trim(first, from, to)
          recovery = attempt.phase('recovery')
          take_recovery(recovery) if recovery
          take_climb
          @taken.slice(*manoeuvre.measure_ids)
        end

        def course_deg = nil
        def gate_s = nil

        private

        # Above the lowest start that is planned, the way back begins; what it takes ends here.
        def own_targets
          lowest, recovery = %w[lowest_start_height_ft recovery_height_ft].map do |id|
            context.plan_of(manoeuvre).value(id)
          end
          { 'lowest_end_ft' => lowest && recovery && (lowest - recovery) }
        rescue OutsideModel, InvalidInput
          {}
        end

        # The speed as it came down, before the round-out takes it off, and as it went up again.
        def take_climb
          descent = attempt.phase('descent')
          if descent
            half = descent.start_s + ((descent.end_s - descent.start_s) / 2.0)
            put('descent_ias_mean_kt', 'descent', over(:ias, descent.start_s, half) { |v| mean(v) })
          end
          climb = attempt.phase('climb')
          put('climb_ias_mean_kt', 'climb', over(:ias, climb.start_s, climb.end_s) { |v| mean(v) }) if climb
        end

        def take_speed(phase_id, from, to)
          put('slow_ias_mean_kt', phase_id, over(:ias, from, to) { |v| mean(v) })
          put('slow_ias_min_kt', phase_id, over(:ias, from, to, &:min))
          put('level_height_max_ft', phase_id, over(:agl, from, to) { |v| v.map { |h| (h - v.first).abs }.max })
          put('level_heading_max_deg', phase_id, over(:heading, from, to) { |v| v.map { |h| (h - v.first).abs }.max })
          put('height_lost_ft', phase_id, height_lost(from, to))
          put('descent_sink_max_fpm', phase_id, over(:sink, from, to, &:max))
        end

        def take_recovery(phase)
          put(
            'recovery_height_ft',
            'recovery',
            height_lost(phase.start_s, phase.end_s).then { |ft| ft.negative? ? 0.0 : ft }
          )
          put('recovery_min_height_ft', 'recovery', lowest_ft(phase.start_s, attempt.end_s))
          put('recovery_ias_kt', 'recovery', signals.at(:ias, phase.start_s))
          put('recovery_time_s', 'recovery', phase.end_s - phase.start_s)
        end
      end
    end
  end
end
