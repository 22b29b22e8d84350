# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module LowRotorRpm
      # Measures of a low rotor rpm recovery: how low, how long under the warning, how soon something was done, whether
      # the warning came first, and which hand moved first.
      class Measures
        include Grading::Measuring

        # @return [Hash{String => Measure}]
        def measures
          phase = attempt.phases.first
          last = attempt.phase('recovery') || phase
          from = phase.start_s
          to = attempt.end_s
          put('min_rotor_rpm_pct', phase.id, over(:nr, from, to, &:min))
          put(
            'time_below_warning_s',
            last.id,
            -> { range_of(from, to).count { |i| below?(i, warning_pct) } * signals.step_s }
          )
          put(
            'reaction_s',
            phase.id,
            -> { acted_after(normal_pct, from, to)&.then { |s| [s, 0.0].max } },
            reason: 'rotor rpm never left the power-on band'
          )
          put(
            'action_after_warning_s',
            phase.id,
            -> { acted_after(warning_pct, from, to) },
            reason: 'the warning never came'
          )
          take_order(last)
          @taken
        end

        def course_deg = nil
        def gate_s = nil

        private

        def warning_pct = context.type.low_warning_pct
        def normal_pct = context.type.fetch('rotor_rpm_pct.power_on')[0]
        def below?(index, pct) = signals[:nr][index] < pct

        # Seconds from rotor rpm falling through a level to the first correction, - before it; nil where either was not.
        def acted_after(pct, from, to)
          fell = range_of(from, to).find { |i| below?(i, pct) }
          fell && acted_s && (acted_s - signals.time(fell))
        end

        # Nil in an attempt cut by hand without a recovery.
        def acted_s = attempt.event(:corrected_s)

        # Seconds by which the throttle moved before the collective, - after it.
        def take_order(phase)
          throttle = attempt.event(:throttle_s)
          collective = attempt.event(:collective_s)
          before = throttle && collective && (collective - throttle)
          put('throttle_before_collective_s', phase.id, before, reason: 'only one of the two was moved')
        end
      end
    end
  end
end
