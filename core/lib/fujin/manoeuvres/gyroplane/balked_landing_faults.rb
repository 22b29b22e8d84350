# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Faults of a balked landing: power while there is speed to climb with.
      class BalkedLandingFaults
        include Grading::FaultFinding

        ROOM_KT = 15.0

        private

        def late_decision
          least = @context.type.fetch('speeds_kt.climb') - ROOM_KT
          when_under('late_decision', 'recovery_ias_kt', least, **phase_span('recovery')) do |v|
            "#{v.round} kt left when it was broken off, #{least.round} kt at least"
          end
        end
      end
    end
  end
end
