# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Faults of a gyroplane's slow flight and vertical descent.
      class FlightFaults
        include Grading::FaultFinding

        private

        def slowest = value('slow_ias_min_kt')&.then { |kt| " at #{kt.round} kt" }

        def slow_glide
          return nil unless bad?('height_lost_ft')

          found(
            'slow_glide',
            "#{value('height_lost_ft').round} ft lost#{slowest}: behind the power curve",
            %w[height_lost_ft slow_ias_min_kt]
          )
        end

        def late_decision
          when_bad('late_decision', 'recovery_min_height_ft', **phase_span('recovery')) do |v|
            "recovered at #{v.round} ft, by #{allowed('recovery_min_height_ft')[0].round} ft it is over"
          end
        end
      end
    end
  end
end
