# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Faults of what is flown in the hover, held to the stage's box.
      class HoverFaults
        include Grading::FaultFinding

        private

        def over_controlled =
          when_bad('over_controlled', 'control_reversals_per_min') do |v|
            Text.of('%{value} reversals of the controls a minute', value: v.round)
          end

        def drifted_off_track =
          when_bad('drifted_off_track', 'hover_drift_max_ft') do |v|
            Text.of('%{value} ft from the middle, %{hover_drift_max_ft} ft is the box',
                    value: v.round, hover_drift_max_ft: allowed('hover_drift_max_ft')[1].round)
          end

        def yaw_uncorrected =
          when_bad('yaw_uncorrected', 'turn_rate_max_deg_s') do |v|
            Text.of('the nose turned at %{value}°/s', value: v.round)
          end

        def drift_at_contact =
          when_bad('drift_at_contact', 'ground_contact_kt') do |v|
            Text.of('%{value} kt over the ground with the skids on it', value: v.round(1))
          end

        def not_level =
          when_bad('not_level', 'ground_roll_deg') do |v|
            Text.of('rolled %{value}° with the skids on the ground', value: v.round)
          end
      end
    end
  end
end
