# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Slow flight, level.
      class SlowFlightPlan < Plan
        def self.declaration = GyroSlowFlight

        private

        def default_height_ft = 1000.0
        def slow_kt = [lowest + 4.0, glide_kt].min
        def lowest = @lowest ||= gyro.lowest_level_speed_kt

        def own_numbers
          point = gyro.level(slow_kt)
          glide_numbers.merge(
            'entry_height_ft' => number(@height_ft, 'ft'),
            'slow_speed_kt' => number(slow_kt, 'kt'),
            'slow_power_kw' => number(point.engine_power_w / 1000.0, 'kw'),
            'slow_rotor_rpm_pct' => number(point.rotor_pct, 'pct'),
            'slow_pitch_deg' => number((point.disc_pitch_rad / Q::DEG) - 8.0, 'deg')
          )
        end

        def path =
          level_path([[0.0, glide_kt], [8.0, glide_kt], [20.0, slow_kt], [40.0, slow_kt], [50.0, glide_kt]]) do |kt|
            gyro.level(kt).rotor_pct
          end

        def setup = setup_before(0.0, glide_kt, Text.of('Level at %{height_ft} ft into wind, area below clear',
                                                        height_ft: @height_ft.round))

        def tables = [speed_table([15, 20, 25, 30, 35, 40, 50, 60]), solo_dual]

        def charts
          rows = (15..70).step(5).filter_map { |kt| cell { [kt.to_f, gyro.level(kt).engine_power_w / 1000.0] } }
          [
            Planning::Chart.new(
              id: 'power',
              title: 'Power for level flight',
              x: Planning::Axis.new(label: 'Airspeed', unit: 'kt', low: 0.0, high: 75.0),
              y: Planning::Axis.new(label: 'Power', unit: 'kw', low: 0.0, high: 130.0),
              areas: [],
              lines: [
                Planning::Shape.new(
                  id: 'available',
                  label: 'there is',
                  kind: 'limit',
                  points: [[0.0, value('power_available_kw')], [75.0, value('power_available_kw')]]
                )
              ],
              track: rows
            )
          ]
        end

        def own_cautions
          [
            caution(
              'behind_curve',
              'caution',
              Text.of('Under %{least} kt full power does not hold height: nose down to get speed back, never more ' \
                'stick back. Keep %{kept} kt and height in hand.',
                      least: lowest.round, kept: (lowest + 4).round)
            ),
            unloaded
          ]
        end
      end
    end
  end
end
