# frozen_string_literal: true

module Fujin
  module Planning
    # The same aircraft on the same day, solo and dual.
    module SoloDual
      Q = Quantities
      KEPT = Kept.new(16)

      extend Numbers

      module_function

      # @return [Table]
      def table(conditions, glide_speed_kt)
        KEPT.fetch([*conditions.with(mass_kg: 0.0).load_key, glide_speed_kt.round(1)]) do
          work_out(conditions, glide_speed_kt)
        end
      end

      def work_out(conditions, glide_speed_kt)
        rows =
          conditions.type.helicopter? ? helicopter(conditions, glide_speed_kt) : gyroplane(conditions, glide_speed_kt)
        Table.new(
          id: 'solo_dual',
          title: 'Solo against dual',
          columns: [['', nil], ['Solo', nil], ['Dual', nil], ['', nil]],
          rows: rows.freeze,
          note:
            'A lighter aircraft turns its rotor slower in autorotation, climbs better and floats longer; ' \
            'a heavier one builds rotor rpm faster after entry.'
        )
      end

      def helicopter(conditions, speed)
        pair = loads(conditions)
        trims = pair.map(&:trim)
        climb = conditions.type.fetch('speeds_kt.climb').to_f
        [
          ['Mass', *pair.map(&:mass_kg), 'kg'],
          ['Rotor rpm on the stop', *trims.map { |t| cell { t.floor_rotor_rpm_pct(speed) } }, 'pct'],
          [
            'Sink in the glide',
            *trims.map do |t|
              cell { t.autorotation_sink_m_s(speed, rotor_pct: [100.0, t.floor_rotor_rpm_pct(speed)].min) / Q::FPM }
            end,
            'fpm'
          ],
          [
            'Hover power in ground effect',
            *trims.map { |t| cell { t.hover_power_w(height_m: DayNumbers::HOVER_FT * Q::FT) / 1000.0 } },
            'kw'
          ],
          [Text.of('Climb at %{climb} kt',
                   climb: climb.round), *pair.map { |c| cell { Performance.of(c).climb_m_s(climb) / Q::FPM } }, 'fpm']
        ]
      end

      def gyroplane(conditions, speed)
        pair = loads(conditions)
        gyros = pair.map(&:gyro_trim)
        climb = conditions.type.fetch('speeds_kt.climb').to_f
        [
          ['Mass', *pair.map(&:mass_kg), 'kg'],
          [
            Text.of('Rotor rpm at %{speed} kt, power off', speed: speed.round),
            *gyros.map { |g| cell { g.power_off(speed).rotor_pct } },
            'pct'
          ],
          [
            Text.of('Sink at %{speed} kt, power off', speed: speed.round),
            *gyros.map { |g| cell { g.power_off(speed).sink_m_s / Q::FPM } },
            'fpm'
          ],
          [
            Text.of('Power for level flight at %{speed} kt', speed: speed.round),
            *gyros.map { |g| cell { g.level(speed).engine_power_w / 1000.0 } },
            'kw'
          ],
          [Text.of('Climb at %{climb} kt',
                   climb: climb.round), *gyros.map { |g| cell { -g.full_power(climb).sink_m_s / Q::FPM } }, 'fpm'],
          ['Lowest level speed', *gyros.map { |g| cell { g.lowest_level_speed_kt } }, 'kt']
        ]
      end

      def loads(conditions) = %w[solo dual].map { |who| conditions.with(mass_kg: conditions.type.mass_kg(who).to_f) }
    end
  end
end
