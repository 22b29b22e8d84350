# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Faults of a balked landing: power while there is speed to climb with.
      class BalkedLandingFaults
        include Grading::FaultFinding

        private

        def late_decision
          return nil unless bad_low?('recovery_ias_kt')

          found(
            'late_decision',
            Text.of('%{kt} kt left when it was broken off, %{least} kt at least',
                    kt: value('recovery_ias_kt').round,
                    least: allowed('recovery_ias_kt')[0].round),
            ['recovery_ias_kt'],
            **phase_span('recovery')
          )
        end
      end
    end
  end
end
