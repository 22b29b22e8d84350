# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      # Rectangle: drift on each side, the turn at each corner, bank by ground speed.
      class RectanglePlan < Plan
        def self.declaration = Rectangle

        private

        def side = @settings['turn_side'] == 'right' ? 1.0 : -1.0
        # Sides that leave a straight between corners of the default's bank.
        def long_ft = (@settings['leg_ft'] || [3500.0, 1.75 * short_ft].max).to_f
        def short_ft = (@settings['width_ft'] || [2000.0, (2.5 * gentle_radius_ft).ceil(-2)].max).to_f
        def first_track = Quantities.wrap_deg(entry_track_deg - @course_deg)

        def sides
          @sides ||=
            [
              ['downwind', 0, long_ft],
              ['crosswind', 90, short_ft],
              ['upwind', 180, long_ft],
              ['crosswind', 270, short_ft]
            ].map { |name, deg, length| [name, first_track + (side * deg), length] }
        end

        def own_numbers
          InvalidInput.check_ranges('width_ft' => [short_ft, (2.0 * radius_ft) + 1.0, 20_000])
          common_numbers.merge(
            'leg_ft' => number(long_ft, 'ft'),
            'width_ft' => number(short_ft, 'ft'),
            'most_turn_deg' => number(corners.max, 'deg'),
            'least_turn_deg' => number(corners.min, 'deg')
          )
        end

        # A quarter of the default's radius fits the corners of a small field.
        def default_radius_ft = [gentle_radius_ft, short_ft / 2.5].min.clamp(150, 3000)

        # Heading change at the end of each side.
        def corners
          @corners ||= sides.each_index.map do |i|
            from = on_track(@course_deg + sides[i][1])
            to = on_track(@course_deg + sides[(i + 1) % 4][1])
            (90.0 + (side * (to[:drift] - from[:drift])))
          end
        end

        def path
          @path ||= begin
            rows = []
            at = [0.0, 0.0, 0.0]
            sides.each do |name, track, length|
              at = straight(rows, at, track, length - (2.0 * radius_ft), name.to_sym)
              at = arc(rows, at, track, 90.0, side, :turn)
            end
            rows
          end
        end

        def tables
          rows =
            sides.each_with_index.map do |(name, track, length), i|
              p = on_track(@course_deg + track)
              [
                name,
                p[:heading],
                p[:drift],
                p[:groundspeed],
                length * Q::FT / (p[:groundspeed] * Q::KT),
                corners[i],
                on_track(@course_deg + track + (side * 45.0))[:bank]
              ]
            end
          [
            Planning::Table.new(
              id: 'legs',
              title: 'Sides and corners',
              rows: rows,
              columns: [
                ['Side', nil],
                %w[Heading deg],
                %w[Drift deg],
                %w[Ground kt],
                %w[Time s],
                ['Turn at its end', 'deg'],
                ['Bank in it', 'deg']
              ],
              note: 'Turning downwind takes more than ninety degrees, turning upwind less.'
            )
          ]
        end
      end
    end
  end
end
