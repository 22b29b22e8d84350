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

          found('spirals_in', Text.of('the radius shrank by %{spiral_ft} ft a turn',
                                      spiral_ft: -value('spiral_ft').round), ['spiral_ft'])
        end

        def drifted_off_track = off_radius || off_line || not_square

        def off_radius =
          when_bad('drifted_off_track', 'turn_radius_max_off_ft') do |off|
            Text.of('up to %{off} ft from the planned radius of %{radius_ft} ft',
                    off: off.round, radius_ft: radius_ft.round)
          end

        def off_line =
          when_bad('drifted_off_track', 'track_error_max_ft') do |v|
            Text.of('up to %{value} ft beside the planned figure', value: v.round)
          end

        def not_square =
          when_bad('drifted_off_track', 'crossing_off_deg') do |v|
            Text.of('the line was crossed %{value}° from square', value: v.round)
          end
      end
    end
  end
end
