# frozen_string_literal: true

module Fujin
  module Grading
    # Faults of what is flown in the hover, held to the stage's box.
    class HoverFaults
      include FaultFinding

      # More reversals of collective and pedals than this in a minute are corrections of corrections.
      REVERSALS_PER_MIN = 40.0
      # A turn that anywhere goes faster than this was let go.
      TURN_RATE_DEG_S = 30.0
      # Light on the skids.
      GROUND_KT = 2.0
      GROUND_ROLL_DEG = 5.0

      private

      def box = Planning::HoverPlan::BOXES.fetch(@context.stage)

      def over_controlled
        return nil unless surely_over?('control_reversals_per_min', REVERSALS_PER_MIN)

        found('over_controlled', "#{value('control_reversals_per_min').round} reversals of the controls a minute", ['control_reversals_per_min'])
      end

      def drifted_off_track
        return nil unless surely_over?('hover_drift_max_ft', 1.5 * box[0])

        found('drifted_off_track', "#{value('hover_drift_max_ft').round} ft from the middle, #{box[0]} ft is the box", ['hover_drift_max_ft'])
      end

      def yaw_uncorrected
        return nil unless surely_over?('turn_rate_max_deg_s', TURN_RATE_DEG_S)

        found('yaw_uncorrected', "the nose turned at #{value('turn_rate_max_deg_s').round}°/s", ['turn_rate_max_deg_s'])
      end

      def drift_at_contact
        return nil unless surely_over?('ground_contact_kt', GROUND_KT)

        found('drift_at_contact', "#{value('ground_contact_kt').round(1)} kt over the ground with the skids on it", ['ground_contact_kt'])
      end

      def not_level
        return nil unless surely_over?('ground_roll_deg', GROUND_ROLL_DEG)

        found('not_level', "rolled #{value('ground_roll_deg').round}° with the skids on the ground", ['ground_roll_deg'])
      end
    end
  end
end
