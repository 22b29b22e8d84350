# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Vertical descent and recovery.
      class VerticalDescentPlan < Plan
        def self.declaration = GyroVerticalDescent

        TO_KT = 45.0
        NOSE_DOWN_DEG = -12.0
        MINIMUM_FT = 500.0

        private

        def default_height_ft = 2000.0

        def recovery =
          @recovery ||= Flight::SpeedRecovery.new(@conditions, to_kt: TO_KT, disc_pitch_deg: NOSE_DOWN_DEG).run

        def lowest_start_ft = MINIMUM_FT + (recovery.steady_height_lost_m / Q::FT) + 200.0

        def own_numbers
          vertical = gyro.power_off(0.0)
          {
            'entry_height_ft' => number(@height_ft, 'ft'),
            'descent_sink_fpm' => number(vertical.sink_m_s / Q::FPM, 'fpm'),
            'descent_rotor_rpm_pct' => number(vertical.rotor_pct, 'pct'),
            'recovery_height_ft' => number(recovery.height_lost_m / Q::FT, 'ft'),
            'recovery_steady_height_ft' => number(recovery.steady_height_lost_m / Q::FT, 'ft'),
            'recovery_time_s' => number(recovery.reached_s, 's'),
            'recovery_speed_kt' => number(TO_KT, 'kt'),
            'recovery_sink_max_fpm' => number(recovery.greatest_sink_m_s / Q::FPM, 'fpm'),
            'least_load_factor' => number(recovery.least_load_factor, 'index'),
            'lowest_start_height_ft' => number(lowest_start_ft, 'ft'), 'glide_speed_kt' => number(glide_kt, 'kt')
          }
        end

        def path
          @path ||=
            begin
              vertical = gyro.power_off(0.0)
              column =
                (0..6).map do |t|
                  point(
                    t.to_f,
                    -headwind_kt * Q::KT * t / Q::FT,
                    @height_ft - (vertical.sink_m_s * t / Q::FT),
                    0.0,
                    -headwind_kt,
                    vertical.sink_m_s / Q::FPM,
                    :descent,
                    rotor_rpm_pct: vertical.rotor_pct
                  )
                end
              last = column.last
              column +
                recovery
                  .rows
                  .each_slice(15)
                  .map(&:first)
                  .drop(1)
                  .map { |row| point_after(last, row, :recovery) }
            end
        end

        def gates =
          [
            Planning::Gate.new(
              id: 'recover', over: 'descent',
              height_ft: MINIMUM_FT + (recovery.steady_height_lost_m / Q::FT),
              along_ft: nil,
              measures: {},
              text: 'nose down by here'
            )
          ]

        def setup =
          setup_before(
            0.0,
            glide_kt,
            Text.of('Into wind above %{height_ft} ft, throttle closed, speed off slowly until the descent is vertical',
                    height_ft: @height_ft.round)
          )

        def tables = [speed_table([0, 10, 20, 30, 40, 50]), solo_dual]

        def own_cautions
          found = [
            caution(
              'recover',
              'caution',
              'Recovery is nose down for speed, then power: the stick is not pulled while the speed is low.'
            ),
            unloaded
          ]
          return found if @height_ft >= lowest_start_ft

          [
            caution(
              'start_height',
              'limit',
              Text.of('Start height %{height_ft} ft, %{lowest_start_ft} ft wanted today: begin higher.',
                      height_ft: @height_ft.round, lowest_start_ft: lowest_start_ft.ceil(-1))
            ),
            *found
          ]
        end
      end
    end
  end
end
