# frozen_string_literal: true

module Fujin
  module Grading
    # Faults of a take-off from hover or ground.
    class TakeOffFaults
      include FaultFinding

      # A take-off at hover power that takes more than this beyond it, percent of the engine's limit.
      ADDED_PCT = 10.0
      TRACK_DEG = 15.0

      private

      def power_cap_broken
        return nil unless surely_over?('power_added_pct', ADDED_PCT)

        found('power_cap_broken', "#{value('power_added_pct').round} % of the engine's limit more than in the hover", ['power_added_pct'])
      end

      def drifted_off_track
        return nil unless surely_over?('climb_track_off_deg', TRACK_DEG)

        found('drifted_off_track', "the track strayed #{value('climb_track_off_deg').round}°", ['climb_track_off_deg'])
      end
    end
  end
end
