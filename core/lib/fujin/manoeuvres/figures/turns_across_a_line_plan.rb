# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      # Turns across a line: half circles on alternate sides, the line crossed square and level.
      class TurnsAcrossALinePlan < Plan
        def self.declaration = TurnsAcrossALine

        private

        # The line lies across the wind; the first crossing is downwind.
        def first_track = Quantities.wrap_deg(entry_track_deg - @course_deg)
        def own_numbers = common_numbers.merge('line_deg' => number((wind.from_deg + 90.0) % 360.0, 'deg'))

        def path
          @path ||= begin
            rows = []
            at = arc(rows, [0.0, 0.0, 0.0], first_track, 180.0, -1.0, :turn)
            at = arc(rows, at, first_track - 180.0, 180.0, 1.0, :turn)
            straight(rows, at, first_track, radius_ft / 2.0, :line)
            rows
          end
        end

        def tables
          rows =
            [
              ['crossing downwind', 0],
              ['first quarter', -90],
              ['crossing upwind', -180],
              ['third quarter', -90]
            ].map do |name, turned|
              p = on_track(entry_track_deg + turned)
              [name, p[:heading], p[:groundspeed], name.start_with?('crossing') ? 0.0 : p[:bank], p[:bank]]
            end
          [
            Planning::Table.new(
              id: 'check_points',
              title: 'Round the figure',
              rows: rows,
              columns: [
                ['Where', nil],
                %w[Heading deg],
                %w[Ground kt],
                ['Bank wanted', 'deg'],
                ['Bank beside it', 'deg']
              ],
              note: 'Level as the line is crossed, whatever the bank was a moment before.'
            )
          ]
        end
      end
    end
  end
end
