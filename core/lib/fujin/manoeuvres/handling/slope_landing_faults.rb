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
            Text.of('%{value} kt over the ground as the first skid met it', value: v.round(1))
          end

        def dropped_the_skid =
          when_bad('dropped_the_skid', 'skid_lowering_deg_s') do |v|
            Text.of('rolled onto the other skid at %{value}°/s', value: v.round(1))
          end

        def not_level =
          when_bad('not_level', 'ground_roll_deg') do |v|
            Text.of('rolled to %{value}°, further than the slope', value: v.round(1))
          end
      end
    end
  end
end
