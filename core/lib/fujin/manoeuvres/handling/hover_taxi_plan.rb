# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Plans a hover taxi: pace, time and stop, the wind as the tail rotor meets it, and the bands of the stage.
      class HoverTaxiPlan < Planning::ManoeuvrePlan
        def self.declaration = HoverTaxi

        # Where it goes from the nose, degrees.
        WAYS_DEG = { 'forward' => 0.0, 'right' => 90.0, 'rearward' => 180.0, 'left' => 270.0 }.freeze
        # A brisk walk.
        SPEED_KT = 5.0
        DISTANCE_FT = 150.0

        private

        def default_height_ft = @house['hover_height_ft'].to_f
        def height_range_ft = [1, 50]
        # The course is the line; the nose stands where the way asks for.
        def nose_deg = (@course_deg - WAYS_DEG.fetch(@settings['taxi_way'])) % 360.0
        def slow_headings = [[Text.of('taxiing %{settings}', settings: @settings['taxi_way']), nose_deg]]
        def speed_kt = (@settings['taxi_speed_kt'] || SPEED_KT).to_f
        def distance_ft = (@settings['taxi_ft'] || DISTANCE_FT).to_f
        def time_s = distance_ft * Q::FT / (speed_kt * Q::KT)

        def own_numbers
          {
            'hover_height_ft' => number(@height_ft, 'ft'),
            'taxi_speed_kt' => number(speed_kt, 'kt'),
            'taxi_ft' => number(distance_ft, 'ft'),
            'taxi_time_s' => number(time_s, 's'),
            'relative_wind_deg' => number(air_from_deg, 'deg'),
            'relative_wind_kt' => number(air_kt, 'kt'),
            'hover_power_here_kw' => try('kw') { trim.hover_power_w(height_m: @height_ft * Q::FT) / 1000.0 }
          }
        end

        # The air that the aircraft meets: the wind less its own motion, north and east, kt.
        def air
          north, east = wind.vector.map { |m_s| m_s / Q::KT }
          [north - (speed_kt * Math.cos(@course_deg * Q::DEG)), east - (speed_kt * Math.sin(@course_deg * Q::DEG))]
        end

        def air_kt = Math.hypot(*air)

        # Where that air comes from, degrees from the nose.
        def air_from_deg = ((Math.atan2(-air[1], -air[0]) / Q::DEG) - nose_deg) % 360.0

        def path
          [0.0, distance_ft].map do |along|
            share = along / distance_ft
            point(share * time_s, along, @height_ft, ias_of_true_kt(air_kt), speed_kt, 0.0, share < 1.0 ? :taxi : :stop)
          end
        end

        def setup
          Planning::SetUp.standing(
            height_ft: @height_ft,
            steady_s: 3.0,
            text:
              Text.of('Steady hover, nose on %{nose_deg}°, two marks in line; the area behind the tail looked at ' \
                'before it moves there',
                      nose_deg: nose_deg.round)
          )
        end

        def stage_band(id, stage) = self.class.declaration.standard.band(id, stage, { 'taxi_speed_kt' => speed_kt })

        def tables
          columns = [
            ['Stage', nil],
            ['Speed ±', 'kt'],
            ['Beside the line', 'ft'],
            ['Height ±', 'ft'],
            ['Heading ±', 'deg'],
            ['Stop within', 'ft']
          ]
          rows =
            Grading::Standard::STAGES.map do |stage|
              [
                stage,
                stage_band('taxi_speed_kt', stage).in[1] - speed_kt,
                *%w[taxi_track_off_ft taxi_height_max_off_ft taxi_heading_max_deg taxi_stop_ft].map do |id|
                  stage_band(id, stage).in[1]
                end
              ]
            end
          [Planning::Table.new(id: 'bands', title: 'Bands by stage', columns: columns, rows: rows)]
        end

        def own_cautions = [rollover, *tail, *downwind].compact

        def rollover
          caution('rollover', 'caution',
                  'Moving low: high enough that no skid catches. If one does, collective down, smoothly.')
        end

        def tail
          return [] if @settings['taxi_way'] == 'forward'

          [caution('tail_swing', 'caution', 'The tail goes where the eyes are not: look first, or have it watched.')]
        end

        # Air from behind wants to swing the nose and lifts the tail.
        def downwind
          return [] unless air_kt > 5.0 && (air_from_deg - 180.0).abs < 60.0

          [
            caution(
              'air_from_behind',
              'caution',
              Text.of('%{air_kt} kt of air from behind: the nose wants to swing, the tail to rise. Slower, or turned.',
                      air_kt: air_kt.round)
            )
          ]
        end
      end
    end
  end
end
