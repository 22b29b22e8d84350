# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Departure
      # Faults of a take-off from hover or ground.
      class Faults
        include Grading::FaultFinding

        private

        def power_cap_broken =
          when_bad('power_cap_broken', 'power_added_pct') do |v|
            Text.of("%{value} % of the engine's limit more than in the hover", value: v.round)
          end

        def drifted_off_track =
          when_bad('drifted_off_track', 'climb_track_off_deg') do |v|
            Text.of('the track strayed %{value}°', value: v.round)
          end
      end
    end
  end
end
