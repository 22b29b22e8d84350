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
            Text.of('%{value} reversals of the controls a minute', value: v.round)
          end

        def yaw_uncorrected =
          when_bad('yaw_uncorrected', 'turn_rate_max_deg_s') do |v|
            Text.of('the nose turned at %{value}°/s', value: v.round)
          end

        def drifted_off_track =
          when_bad('drifted_off_track', 'taxi_track_off_ft') do |v|
            Text.of('%{value} ft beside the line, %{taxi_track_off_ft} ft is the band',
                    value: v.round, taxi_track_off_ft: allowed('taxi_track_off_ft')[1].round)
          end
      end
    end
  end
end
