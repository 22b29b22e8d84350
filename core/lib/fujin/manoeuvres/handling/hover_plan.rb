# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Plans an exercise in the hover: boxes by stage, power, pedal and tail-rotor numbers in today's wind.
      class HoverPlan < Planning::ManoeuvrePlan
        def self.declaration = Hover

        # Drift radius ft, height ±ft, heading ±deg, seconds in the box, by stage.
        BOXES = {
          'early' => [15, 4, 20, 20],
          'solo' => [10, 3, 15, 30],
          'test' => [6, 2, 10, 45],
          'instructor' => [4, 1, 5, 60]
        }.freeze

        private

        def default_height_ft = @house['hover_height_ft'].to_f
        def height_range_ft = [0, 50]
        def slow_headings = [['in the hover', @course_deg]]
        def box = BOXES.fetch(@stage)

        def own_numbers
          radius, height, heading, seconds = box
          {
            'hover_height_ft' => number(@height_ft, 'ft'),
            'box_radius_ft' => number(radius.to_f, 'ft'),
            'box_height_ft' => number(height.to_f, 'ft'),
            'box_heading_deg' => number(heading.to_f, 'deg'),
            'box_time_s' => number(seconds.to_f, 's'),
            'hover_power_here_kw' => try('kw') { trim.hover_power_w(height_m: @height_ft * Q::FT) / 1000.0 },
            'pedal_share_pct' =>
              try('pct') { 100.0 * trim.hover_power_w(height_m: @height_ft * Q::FT) / trim.power_available_w }
          }
        end

        def path =
          [
            point(0.0, 0.0, @height_ft, wind.speed_kt, 0.0, 0.0, :hover),
            point(box[3].to_f, 0.0, @height_ft, wind.speed_kt, 0.0, 0.0, :hover)
          ]

        def setup
          Planning::SetUp.standing(
            height_ft: @height_ft,
            steady_s: 3.0,
            text:
              Text.of('Into wind, a mark ahead and one to the side, three seconds steady before the count begins; ' \
                '%{power_check}',
                      power_check: power_check)
          )
        end

        def power_check =
          if @house['power_check'] == 'hover'
            'power in the hover compared with what is there'
          else
            'power checked in flight before'
          end

        def tables
          rows =
            BOXES.map do |stage, (radius, height, heading, seconds)|
              [stage, radius.to_f, height.to_f, heading.to_f, seconds.to_f]
            end
          [
            Planning::Table.new(
              id: 'boxes',
              title: 'Boxes by stage',
              columns: [['Stage', nil], %w[Drift ft], ['Height ±', 'ft'], ['Heading ±', 'deg'], %w[Held s]],
              rows: rows
            ),
            wind_table
          ]
        end

        # The wind from each side, and what it does.
        def wind_table
          rows =
            (0...360)
              .step(45)
              .map do |relative|
                heading = (wind.from_deg - relative) % 360.0
                sector = Aircraft::TailRotor.disturbed?(@type, relative)
                [relative.to_f, heading, sector ? 'tail-rotor sector' : 'clear']
              end
          Planning::Table.new(
            id: 'wind_sectors',
            title: 'Nose turned so that the wind comes from',
            columns: [['From the nose', 'deg'], %w[Heading deg], ['Tail rotor', nil]],
            rows: rows,
            note:
              Text.of('%{power_on_pedal} pedal costs power with this rotor; sectors matter from about %{least_kt} kt.',
                      power_on_pedal: @type.power_on_pedal.capitalize, least_kt: Aircraft::TailRotor::LEAST_KT.round)
          )
        end

        def own_cautions
          [
            caution(
              'rollover',
              'caution',
              'Dynamic rollover: a skid held, sideways motion, collective up. The answer is collective down, smoothly.'
            ),
            caution(
              'lateral',
              'note',
              Text.of('Hovers %{side} side low: the tail rotor pushes %{other_side}.',
                      side: @type.clockwise? ? 'right' : 'left', other_side: @type.clockwise? ? 'left' : 'right')
            )
          ]
        end
      end
    end
  end
end
