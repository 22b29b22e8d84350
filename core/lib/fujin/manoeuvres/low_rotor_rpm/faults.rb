# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module LowRotorRpm
      # Faults of a low rotor rpm recovery.
      class Faults
        include Grading::FaultFinding

        RAISED_PCT = 3.0

        private

        def late_collective =
          when_bad('late_collective', 'action_after_warning_s') do |v|
            Text.of('%{value} s from the warning to the first correction', value: v.round(1))
          end

        # Up before down, while the rotor was falling.
        def raised_collective
          collective = @signals[:collective] or return nil
          decay = @attempt.phase('decay') or return nil
          start = collective[@signals.index(decay.start_s)]
          high = @signals.window(:collective, decay.start_s, decay.end_s).max
          return nil unless high && high > start + RAISED_PCT

          found(
            'raised_collective',
            Text.of('collective went up by %{high} points while rotor rpm fell', high: (high - start).round),
            [],
            to: decay.end_s
          )
        end

        def low_rotor_rpm =
          when_bad('low_rotor_rpm', 'min_rotor_rpm_pct') do |v|
            Text.of('rotor rpm fell to %{value} %, the warning is at %{low_warning_pct} %',
                    value: v.round(1), low_warning_pct: @context.type.low_warning_pct)
          end
      end
    end
  end
end
