# frozen_string_literal: true

module Fujin
  module Grading
    # Measures of a low rotor rpm recovery: how low, how long under the warning, how soon something was done, whether the
    # warning came first, and which hand moved first.
    class LowRotorRpmMeasures
      include Measuring

      # @return [Hash{String => Measure}]
      def measures
        phase = attempt.phases.first
        from = phase.start_s
        nr = signals[:nr]
        range = signals.index(from)..signals.index(attempt.end_s)
        left = range.find { |i| nr[i] < context.type.fetch('rotor_rpm_pct.power_on')[0] }
        warned = range.find { |i| nr[i] < context.type.low_warning_pct }
        put('min_rotor_rpm_pct', phase.id, over(:nr, from, attempt.end_s, &:min), :nr)
        put('time_below_warning_s', phase.id, range.count { |i| nr[i] < context.type.low_warning_pct } * signals.step_s, :nr, uncertainty: signals.step_s)
        put('reaction_s', phase.id, left && acted_s && [acted_s - signals.time(left), 0.0].max, :nr, uncertainty: 2 * signals.step_s, reason: 'rotor rpm never left the power-on band')
        put('action_after_warning_s', phase.id, warned && acted_s && (acted_s - signals.time(warned)), :nr, uncertainty: 2 * signals.step_s, reason: 'the warning never came')
        take_order(phase)
        @taken
      end

      def course_deg = nil
      def gate_s = nil

      private

      # Nil in an attempt cut by hand without a recovery.
      def acted_s = attempt.event(:corrected_s)

      # Seconds by which the throttle moved before the collective, - after it.
      def take_order(phase)
        throttle = attempt.event(:throttle_s)
        collective = attempt.event(:collective_s)
        before = throttle && collective && (collective - throttle)
        put('throttle_before_collective_s', phase.id, before, %i[throttle collective], uncertainty: 2 * signals.step_s, reason: 'only one of the two was moved')
      end
    end
  end
end
