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
            "#{v.round} reversals of the controls a minute"
          end

        def drifted_off_track =
          when_bad('drifted_off_track', 'hover_drift_max_ft') do |v|
            "#{v.round} ft from the middle, #{allowed('hover_drift_max_ft')[1].round} ft is the box"
          end

        def yaw_uncorrected =
          when_bad('yaw_uncorrected', 'turn_rate_max_deg_s') do |v|
            "the nose turned at #{v.round}°/s"
          end

        def drift_at_contact =
          when_bad('drift_at_contact', 'ground_contact_kt') do |v|
            "#{v.round(1)} kt over the ground with the skids on it"
          end

        def not_level =
          when_bad('not_level', 'ground_roll_deg') do |v|
            "rolled #{v.round}° with the skids on the ground"
          end
      end
    end
  end
end
