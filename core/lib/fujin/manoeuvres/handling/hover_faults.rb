# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Faults of what is flown in the hover, held to the stage's box.
      class HoverFaults
        include Grading::FaultFinding

        # More reversals of collective and pedals than this in a minute are corrections of corrections.
        REVERSALS_PER_MIN = 40.0
        # A turn that anywhere goes faster than this was let go.
        TURN_RATE_DEG_S = 30.0
        # Light on the skids.
        GROUND_KT = 2.0
        GROUND_ROLL_DEG = 5.0

        private

        def box = HoverPlan::BOXES.fetch(@context.stage)

        def over_controlled =
          when_over('over_controlled', 'control_reversals_per_min', REVERSALS_PER_MIN) do |v|
            "#{v.round} reversals of the controls a minute"
          end

        def drifted_off_track =
          when_over('drifted_off_track', 'hover_drift_max_ft', 1.5 * box[0]) do |v|
            "#{v.round} ft from the middle, #{box[0]} ft is the box"
          end

        def yaw_uncorrected =
          when_over('yaw_uncorrected', 'turn_rate_max_deg_s', TURN_RATE_DEG_S) do |v|
            "the nose turned at #{v.round}°/s"
          end

        def drift_at_contact =
          when_over('drift_at_contact', 'ground_contact_kt', GROUND_KT) do |v|
            "#{v.round(1)} kt over the ground with the skids on it"
          end

        def not_level =
          when_over('not_level', 'ground_roll_deg', GROUND_ROLL_DEG) do |v|
            "rolled #{v.round}° with the skids on the ground"
          end
      end
    end
  end
end
