# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Faults of a hover taxi: hands that correct their own corrections, and the line left.
      class HoverTaxiFaults
        include Grading::FaultFinding

        private

        def over_controlled
          when_over('over_controlled', 'control_reversals_per_min', HoverFaults::REVERSALS_PER_MIN) do |v|
            "#{v.round} reversals of the controls a minute"
          end
        end

        # Held to the stage's band, like its verdict.
        def drifted_off_track
          band = measure('taxi_track_off_ft')&.band or return nil

          when_over('drifted_off_track', 'taxi_track_off_ft', band.in[1]) do |v|
            "#{v.round} ft beside the line, #{band.in[1].round} ft is the band"
          end
        end
      end
    end
  end
end
