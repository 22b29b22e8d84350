# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      # Turn about a point: bank all the way round, four check points.
      class TurnAboutAPointPlan < Plan
        def self.declaration = TurnAboutAPoint

        private

        def side = @settings['turn_side'] == 'right' ? 1.0 : -1.0
        # Entered downwind, the point abeam.
        def first_track = Quantities.wrap_deg(entry_track_deg - @course_deg)

        def own_numbers = common_numbers.merge('time_round_s' => number(path.last.t_s, 's'))

        def path
          @path ||=
            begin
              inward = (first_track + (side * 90.0)) * Q::DEG
              rows = []
              arc(
                rows,
                [0.0, -radius_ft * Math.cos(inward), -radius_ft * Math.sin(inward)],
                first_track,
                360.0,
                side,
                :turn
              )
              rows
            end
        end

        def tables
          rows =
            %w[downwind crosswind upwind crosswind].each_with_index.map do |name, i|
              p = on_track(entry_track_deg + (side * 90.0 * i))
              [name, p[:track], p[:heading], p[:drift], p[:groundspeed], p[:bank]]
            end
          [
            Planning::Table.new(
              id: 'check_points',
              title: 'Four check points',
              rows: rows,
              columns: [['Where', nil], %w[Track deg], %w[Heading deg], %w[Drift deg], %w[Ground kt], %w[Bank deg]],
              note: 'Steepest downwind, shallowest upwind: the bank follows the ground speed.'
            )
          ]
        end
      end
    end
  end
end
