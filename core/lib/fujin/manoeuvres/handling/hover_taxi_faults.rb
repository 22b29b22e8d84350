# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Faults of a hover taxi, also of one that turns: hands that correct their own corrections, the line left, the
      # turn let go.
      class HoverTaxiFaults
        include Grading::FaultFinding

        private

        def over_controlled =
          when_bad('over_controlled', 'control_reversals_per_min') do |v|
            "#{v.round} reversals of the controls a minute"
          end

        def yaw_uncorrected =
          when_bad('yaw_uncorrected', 'turn_rate_max_deg_s') { |v| "the nose turned at #{v.round}°/s" }

        def drifted_off_track =
          when_bad('drifted_off_track', 'taxi_track_off_ft') do |v|
            "#{v.round} ft beside the line, #{allowed('taxi_track_off_ft')[1].round} ft is the band"
          end
      end
    end
  end
end
