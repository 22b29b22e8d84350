# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      # Faults of figures over the ground: held to the planned figure.
      class Faults
        include Grading::FaultFinding

        # Of the planned radius: lost in a full turn, or missed anywhere.
        SPIRAL_SHARE = 0.12
        OFF_RADIUS_SHARE = 0.3
        # Beside a planned side or line, ft; off its track, degrees.
        OFF_LINE_FT = 200.0
        SQUARE_DEG = 15.0

        private

        def radius_ft = @context.plan_of(@manoeuvre).value('turn_radius_ft')

        def spirals_in
          lost = value('spiral_ft') or return nil
          return nil unless lost < -SPIRAL_SHARE * radius_ft

          found('spirals_in', "the radius shrank by #{-lost.round} ft a turn", ['spiral_ft'])
        end

        def drifted_off_track = off_radius || off_line || not_square

        def off_radius
          off = value('turn_radius_max_off_ft')
          return nil unless off && off > OFF_RADIUS_SHARE * radius_ft

          found(
            'drifted_off_track',
            "up to #{off.round} ft from the planned radius of #{radius_ft.round} ft",
            ['turn_radius_max_off_ft']
          )
        end

        def off_line =
          when_over('drifted_off_track', 'track_error_max_ft', OFF_LINE_FT) do |v|
            "up to #{v.round} ft beside the planned figure"
          end

        def not_square =
          when_over('drifted_off_track', 'crossing_off_deg', SQUARE_DEG) do |v|
            "the line was crossed #{v.round}° from square"
          end
      end
    end
  end
end
