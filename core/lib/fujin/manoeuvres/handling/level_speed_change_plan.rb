# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Speed changes at a height.
      class LevelSpeedChangePlan < Planning::ManoeuvrePlan
        def self.declaration = LevelSpeedChange

        BANDS = { 'early' => [150, 10], 'solo' => [100, 10], 'test' => [100, 5], 'instructor' => [50, 5] }.freeze
        ACCELERATION = 0.6

        private

        def default_height_ft = 1000.0
        def slow_headings = []
        def cruise_kt = @type.fetch('speeds_kt.cruise').to_f
        def slow_kt = @type.fetch('speeds_kt.climb').to_f - 10.0

        def own_numbers
          height, heading = BANDS.fetch(@stage)
          {
            'entry_height_ft' => number(@height_ft, 'ft'),
            'fast_speed_kt' => number(cruise_kt, 'kt'),
            'slow_speed_kt' => number(slow_kt, 'kt'),
            'fast_power_kw' => number(performance.level_power_w(cruise_kt) / 1000.0, 'kw'),
            'slow_power_kw' => number(performance.level_power_w(slow_kt) / 1000.0, 'kw'),
            'change_time_s' => number((true_kt(cruise_kt) - true_kt(slow_kt)) * Q::KT / ACCELERATION, 's'),
            'height_band_ft' => number(height.to_f, 'ft'),
            'heading_band_deg' => number(heading.to_f, 'deg'),
            'climb_fpm' => try('fpm') { performance.climb_m_s(@type.fetch('speeds_kt.climb').to_f) / Q::FPM },
            'descent_power_kw' => try('kw') { performance.power_w(cruise_kt, 500.0 * Q::FPM) / 1000.0 }
          }
        end

        def path
          change = value('change_time_s')
          level_path(
            [
              [0.0, cruise_kt],
              [10.0, cruise_kt],
              [10.0 + change, slow_kt],
              [30.0 + change, slow_kt],
              [30.0 + (2 * change), cruise_kt],
              [40.0 + (2 * change), cruise_kt]
            ]
          )
        end

        def setup = setup_before(0.0, cruise_kt, 'Level, trimmed, a mark on the horizon')

        def tables
          rows =
            [40, 50, 60, 70, 80, 90].select { |kt| kt <= @type.fetch('speeds_kt.never_exceed') }
              .map do |kt|
                [kt.to_f, cell { performance.level_power_w(kt) / 1000.0 }, cell { performance.climb_m_s(kt) / Q::FPM }]
              end
          [
            Planning::Table.new(
              id: 'powers',
              title: 'Level power',
              columns: [%w[Airspeed kt], %w[Power kw], ['Climb left', 'fpm']],
              rows: rows
            ),
            Planning::SoloDual.table(@conditions, @type.glide_speed_kt.to_f)
          ]
        end
      end
    end
  end
end
