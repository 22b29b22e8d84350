# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      # Faults of figures over the ground: held to the planned figure.
      class Faults
        include Grading::FaultFinding

        private

        def radius_ft = @context.plan_of(@manoeuvre).value('turn_radius_ft')

        def spirals_in
          return nil unless bad_low?('spiral_ft')

          found('spirals_in', "the radius shrank by #{-value('spiral_ft').round} ft a turn", ['spiral_ft'])
        end

        def drifted_off_track = off_radius || off_line || not_square

        def off_radius =
          when_bad('drifted_off_track', 'turn_radius_max_off_ft') do |off|
            "up to #{off.round} ft from the planned radius of #{radius_ft.round} ft"
          end

        def off_line =
          when_bad('drifted_off_track', 'track_error_max_ft') { |v| "up to #{v.round} ft beside the planned figure" }

        def not_square =
          when_bad('drifted_off_track', 'crossing_off_deg') { |v| "the line was crossed #{v.round}° from square" }
      end
    end
  end
end
