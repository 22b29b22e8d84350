# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Plans a turn along a line: rate from the turn, the way and the pace, and where on the line the wind comes from
      # where.
      class TurnAlongALinePlan < HoverTaxiPlan
        def self.declaration = TurnAlongALine

        TURN_DEG = 360.0
        DISTANCE_FT = 300.0
        # A row of the table each so many degrees.
        ROW_DEG = 45.0

        private

        # It sets out with the nose along the line.
        def nose_deg = @course_deg
        def turn_deg = (@settings['turn_deg'] || TURN_DEG).to_f
        def side = @settings['turn_side'] == 'right' ? 1.0 : -1.0
        def distance_ft = (@settings['taxi_ft'] || DISTANCE_FT).to_f
        def rate_deg_s = turn_deg / time_s
        def slow_headings = stations.map { |turned| ['on the way', heading_after(turned)] }

        def own_numbers
          super.except('relative_wind_deg', 'relative_wind_kt').merge(
            'turn_deg' => number(turn_deg, 'deg'),
            'turn_rate_deg_s' => number(rate_deg_s, 'deg_s')
          )
        end

        def heading_after(turned_deg) = (@course_deg + (side * turned_deg)) % 360.0
        def stations = [*(0.0...turn_deg).step(ROW_DEG), turn_deg]

        # Where the air comes from, degrees from the nose, after so much of the turn.
        def air_after_deg(turned_deg) = (air_from_deg - (side * turned_deg)) % 360.0

        def setup
          Planning::SetUp.standing(
            height_ft: @height_ft,
            steady_s: 3.0,
            text:
              Text.of('Steady hover, nose along the line on %{nose_deg}°, marks ahead and behind; the whole way ' \
                'looked at, for the tail goes over all of it',
                      nose_deg: nose_deg.round)
          )
        end

        def tables = [on_the_way, bands]

        def on_the_way
          rows = stations.map do |turned|
            from = air_after_deg(turned)
            sector = air_kt >= Aircraft::TailRotor::LEAST_KT && Aircraft::TailRotor.disturbed?(@type, from)
            [turned, distance_ft * turned / turn_deg, heading_after(turned), from,
             sector ? 'tail-rotor sector' : 'clear']
          end
          Planning::Table.new(
            id: 'on_the_way',
            title: 'On the way',
            columns: [%w[Turned deg], %w[Gone ft], %w[Heading deg], ['Air from the nose', 'deg'], ['Tail rotor', nil]],
            rows: rows,
            note: Text.of('%{air_kt} kt of air all the way; the cyclic stays into it while the nose goes round.',
                          air_kt: air_kt.round)
          )
        end

        def bands
          columns = [['Stage', nil], ['Speed ±', 'kt'], ['Beside the line', 'ft'], ['Height ±', 'ft'],
                     ['Turned ±', 'deg'], ['Stop within', 'ft']]
          rows =
            Grading::Standard::STAGES.map do |stage|
              [
                stage,
                stage_band('taxi_speed_kt', stage).in[1] - speed_kt,
                stage_band('taxi_track_off_ft', stage).in[1],
                stage_band('taxi_height_max_off_ft', stage).in[1],
                stage_band('line_turned_deg', stage).in[1] - turn_deg,
                stage_band('taxi_stop_ft', stage).in[1]
              ]
            end
          Planning::Table.new(id: 'bands', title: 'Bands by stage', columns: columns, rows: rows)
        end

        def stage_band(id, stage) =
          @standard.band(id, stage, { 'taxi_speed_kt' => speed_kt, 'turn_deg' => turn_deg,
                                      'turn_rate_deg_s' => rate_deg_s })

        def own_cautions = [rollover, tail_swing, turn_power, *too_fast]

        def tail_swing =
          caution('tail_swing', 'caution',
                  'The tail goes over the whole way: look first, or have it watched. The eyes stay on the line, far ' \
                    'ahead, not on the nose.')

        def turn_power
          costly = @settings['turn_side'] == @type.power_on_pedal
          caution('turn_power', 'note',
                  Text.of('%{side} turns %{what}',
                          side: @settings['turn_side'].capitalize,
                          what: costly ? 'take power: watch rotor rpm.' : 'give power back: stopping takes it.'))
        end

        # Faster than the stage's hover turns.
        def too_fast
          most = HoverTurnPlan::RATES_DEG_S.fetch(@stage)
          return [] unless rate_deg_s > most

          [caution('turn_rate', 'caution',
                   Text.of("%{rate_deg_s}°/s is faster than the stage's %{most}°/s in the hover: a longer way, a " \
                     'slower pace or less of a turn.',
                           rate_deg_s: rate_deg_s.round, most: most.round))]
        end
      end
    end
  end
end
