# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Departure
      # Faults of a take-off from hover or ground.
      class Faults
        include Grading::FaultFinding

        # A take-off at hover power that takes more than this beyond it, percent of the engine's limit. Nobody asked for
        # hover power in an ordinary take-off.
        ADDED_PCT = 10.0
        CAPPED = 'hover_power_take_off'
        TRACK_DEG = 15.0

        private

        def power_cap_broken
          return nil unless @context.exercise == CAPPED

          when_over('power_cap_broken', 'power_added_pct', ADDED_PCT) do |v|
            "#{v.round} % of the engine's limit more than in the hover"
          end
        end

        def drifted_off_track =
          when_over('drifted_off_track', 'climb_track_off_deg', TRACK_DEG) { |v| "the track strayed #{v.round}°" }
      end
    end
  end
end
