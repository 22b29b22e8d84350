# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Faults of a landing on a slope.
      class SlopeLandingFaults
        include Grading::FaultFinding

        private

        def drift_at_contact =
          when_bad('drift_at_contact', 'ground_contact_kt') do |v|
            "#{v.round(1)} kt over the ground as the first skid met it"
          end

        def dropped_the_skid =
          when_bad('dropped_the_skid', 'skid_lowering_deg_s') { |v| "rolled onto the other skid at #{v.round(1)}°/s" }

        def not_level =
          when_bad('not_level', 'ground_roll_deg') { |v| "rolled to #{v.round(1)}°, further than the slope" }
      end
    end
  end
end
