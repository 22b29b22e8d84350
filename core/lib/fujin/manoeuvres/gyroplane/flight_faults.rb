# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Faults of a gyroplane's slow flight and vertical descent.
      class FlightFaults
        include Grading::FaultFinding

        private

        def slowest = value('slow_ias_min_kt')&.then { |kt| Text.of(' at %{kt} kt', kt: kt.round) }

        def slow_glide
          return nil unless bad?('height_lost_ft')

          found(
            'slow_glide',
            Text.of('%{height_lost_ft} ft lost%{slowest}: behind the power curve',
                    height_lost_ft: value('height_lost_ft').round, slowest: slowest),
            %w[height_lost_ft slow_ias_min_kt]
          )
        end

        def late_decision
          when_bad('late_decision', 'recovery_min_height_ft', **phase_span('recovery')) do |v|
            Text.of('recovered at %{value} ft, by %{recovery_min_height_ft} ft it is over',
                    value: v.round, recovery_min_height_ft: allowed('recovery_min_height_ft')[0].round)
          end
        end
      end
    end
  end
end
