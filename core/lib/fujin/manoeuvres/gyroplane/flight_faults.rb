# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Faults of a gyroplane's slow flight and vertical descent.
      class FlightFaults
        include Grading::FaultFinding

        # Behind the power curve: height that was lost though it was to be level, ft.
        SANK_FT = 60.0
        # Lower than this a recovery that needs height began too late, ft.
        LEAST_FT = 200.0

        private

        def slowest = value('slow_ias_min_kt')&.then { |kt| " at #{kt.round} kt" }

        def slow_glide
          return nil unless surely_over?('height_lost_ft', SANK_FT)

          found(
            'slow_glide',
            "#{value('height_lost_ft').round} ft lost#{slowest}: behind the power curve",
            %w[height_lost_ft slow_ias_min_kt]
          )
        end

        def late_decision
          when_under('late_decision', 'recovery_min_height_ft', LEAST_FT, **phase_span('recovery')) do |v|
            "recovered at #{v.round} ft, by #{LEAST_FT.round} ft it is over"
          end
        end
      end
    end
  end
end
