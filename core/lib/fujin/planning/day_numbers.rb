# frozen_string_literal: true

module Fujin
  module Planning
    # The numbers of the day that every plan begins with: air, load, power, wind along the course.
    class DayNumbers
      include Numbers

      Q = Quantities
      HOVER_FT = 4.0

      def initialize(conditions, course_deg:)
        @conditions = conditions
        @course_deg = course_deg
      end

      # @return [Hash{String => PlanNumber}]
      def all = air_and_load.merge(@conditions.type.helicopter? ? hover_power : propeller_power).merge(wind)

      def air_and_load
        {
          'density_altitude_ft' => number(@conditions.atmosphere.density_altitude_m / Q::FT, 'ft'),
          'mass_kg' => number(@conditions.mass_kg, 'kg'),
          'induced_velocity_m_s' => number(trim.rotor.hover_induced_velocity(@conditions.mass_kg * Q::G), 'm_s')
        }
      end

      def hover_power
        available = trim.power_available_w / 1000.0
        oge = try('kw') { trim.hover_power_w / 1000.0 }
        ige = try('kw') { trim.hover_power_w(height_m: HOVER_FT * Q::FT) / 1000.0 }
        {
          'hover_power_oge_kw' => oge,
          'hover_power_ige_kw' => ige,
          'power_available_kw' => number(available, 'kw'),
          'power_margin_pct' => margin(available, oge),
          'power_margin_ige_pct' => margin(available, ige)
        }.merge(instrument(oge, ige))
      end

      def wind
        wind = @conditions.wind
        {
          'headwind_kt' => number(wind.headwind_kt(@course_deg), 'kt'),
          'crosswind_kt' => number(wind.crosswind_kt(@course_deg), 'kt')
        }
      end

      private

      def trim = @trim ||= @conditions.trim

      def margin(available, needed)
        if needed.value
          number(100.0 * (available - needed.value) / needed.value, 'pct')
        else
          no_number('pct', needed.reason)
        end
      end

      # The same powers as the cockpit's instrument shows them at normal rotor rpm.
      def instrument(oge, ige)
        engine = Flight::Engine.new(@conditions.type, @conditions.atmosphere)
        name = "power_#{engine.instrument_unit}"
        shown = ->(kw) { number(engine.instrument(kw * 1000.0, 1.0), engine.instrument_unit) }
        { "hover_#{name}" => ige, "hover_oge_#{name}" => oge }.transform_values do |n|
          n.value ? shown.call(n.value) : no_number(engine.instrument_unit, n.reason)
        end
          .merge("available_#{name}" => shown.call(engine.max_power_w / 1000.0))
      end

      def propeller_power
        gyro = @conditions.gyro_trim
        available = Performance.of(@conditions).power_available_w / 1000.0
        climb = @conditions.type.fetch('speeds_kt.climb').to_f
        level = try('kw') { gyro.level(climb).engine_power_w / 1000.0 }
        {
          'power_available_kw' => number(available, 'kw'),
          'level_power_kw' => level,
          'power_margin_pct' => margin(available, level),
          'climb_fpm' => try('fpm') { -gyro.full_power(climb).sink_m_s / Q::FPM },
          'climb_speed_kt' => number(climb, 'kt')
        }
      end
    end
  end
end
