# frozen_string_literal: true

module Fujin
  module Planning
    # What to watch today, each with the number behind it and what to do about it.
    class Cautions
      # Stage limits (settings of the house): wind, gust spread, crosswind, knots.
      STAGE_LIMITS = { 'early' => [15, 8, 8], 'solo' => [20, 10, 10], 'test' => [25, 12, 12], 'instructor' => [30, 15, 15] }.freeze

      # Relative wind, clockwise from the nose, in which the tail rotor can be disturbed (JOB.md section 2).
      LTE_SECTORS_DEG = { false => [[285, 315], [210, 330], [120, 240]], true => [[45, 75], [30, 150], [120, 240]] }.freeze

      ALWAYS = [
        ['training_aid', 'Training aid only: the flight manual, the operator, the authority and a licensed instructor decide.'],
        ['throttle_off', 'Throttle-off practice near the ground only with a qualified instructor on the controls.'],
        ['gate', 'A gate missed is a go-around: throttle joined first, then collective.']
      ].freeze

      def initialize(conditions, numbers, course_deg:, stage:, ending:)
        @conditions = conditions
        @type = conditions.type
        @numbers = numbers
        @course_deg = course_deg
        @stage = stage
        @ending = ending
      end

      # @return [Array<Caution>] limits first
      def all
        found = [*wind_limits, mass, power, floor_rpm, reaction, tailwind, lte, carburettor_ice].compact +
                ALWAYS.map { |id, text| Caution.new(id: id, level: 'note', text: text) }
        found.sort_by.with_index { |caution, i| [%w[limit caution note].index(caution.level), i] }
      end

      private

      def value(name) = @numbers[name]&.value
      def caution(id, level, text) = Caution.new(id: id, level: level, text: text)

      def wind_limits
        top, spread, cross = STAGE_LIMITS.fetch(@stage)
        wind = @conditions.wind
        across = wind.crosswind_kt(@course_deg).abs
        [over('stage_wind', 'Wind', [wind.speed_kt, wind.gust_kt || 0].max, top), over('stage_gust_spread', 'Gust spread', wind.gust_spread_kt, spread),
         over('stage_crosswind', 'Crosswind', across, cross)]
      end

      def over(id, name, value, limit)
        return nil unless value > limit

        caution(id, 'limit', "#{name} #{value.round} kt is over the limit of #{limit} kt for stage '#{@stage}', by #{(value - limit).ceil} kt: not today with this student.")
      end

      def mass
        top = @type.fetch('masses_kg.max')
        return nil unless @conditions.mass_kg > top

        caution('mass', 'limit', "Mass #{@conditions.mass_kg.round} kg is over the type's #{top} kg, by #{(@conditions.mass_kg - top).ceil} kg: do not fly.")
      end

      def power
        available = value('power_available_kw')
        ige = value('hover_power_ige_kw')
        oge = value('hover_power_oge_kw')
        return caution('power_ige', 'limit', 'The rotor cannot carry this load here: no hover.') unless ige && oge
        return caution('power_ige', 'limit', hover_text('in ground effect', ige, available, 'no power recovery to a hover')) if available < ige
        return caution('power_oge', 'caution', hover_text('out of ground effect', oge, available, 'recover low, keep translational lift until in ground effect')) if available < oge

        nil
      end

      def hover_text(where, needed, available, advice)
        "Hover #{where} needs #{needed.round(1)} kW, #{available.round(1)} kW are there, #{(needed - available).round(1)} kW short: #{advice}."
      end

      def floor_rpm
        floor = value('rotor_rpm_on_floor_pct')
        high = @type.power_off_band[1]
        if floor < 100
          caution('floor_rpm_low', 'caution', "Rotor rpm on the collective stop is #{floor.round(1)} % today: that is the target. 100 % cannot be held, so no collective in the glide.")
        elsif floor > high
          caution('floor_rpm_high', 'caution', "Rotor rpm on the collective stop would reach #{floor.round(1)} %, over the band's #{high} %: collective check early and small.")
        end
      end

      def reaction
        seconds = value('reaction_time_s')
        return nil unless seconds

        caution('reaction', seconds < 1.2 ? 'caution' : 'note',
                "From #{value('entry_speed_kt').round} kt the rotor falls to #{@type.power_off_band[0]} % in #{seconds.round(1)} s with the hands still: " \
                "left hand on the collective, #{@type.power_loss_pedal} pedal with it.")
      end

      def tailwind
        headwind = @conditions.wind.headwind_kt(@course_deg)
        return nil if headwind > -3

        caution('tailwind', 'caution', "Tailwind #{(-headwind).round} kt on the final course: ground speed at the end is higher by that much. Turn the line round if you can.")
      end

      def lte
        wind = @conditions.wind
        return nil if wind.speed_kt < 8

        relative = (wind.from_deg - @course_deg) % 360
        return nil unless LTE_SECTORS_DEG.fetch(@type.clockwise?).any? { |from, to| relative.between?(from, to) }

        caution('lte', 'caution', "Wind #{relative.round}° from the nose at the end lies in a loss-of-tail-rotor-effectiveness sector for this rotor direction: " \
                                  "be ready with #{@type.power_on_pedal} pedal as collective comes in.")
      end

      # Carburettor icing from temperature and dew point; the band is the usual training chart's, rounded outwards.
      def carburettor_ice
        return nil unless @type.carburettor? && @conditions.dew_point_c

        spread = @conditions.oat_c - @conditions.dew_point_c
        return nil unless @conditions.oat_c.between?(-7, 32) && spread < 12

        serious = spread < 6 && @conditions.oat_c < 22
        caution('carburettor_ice', 'caution', "Carburettor ice #{serious ? 'likely at low power' : 'possible'} (#{@conditions.oat_c.round} °C, dew point " \
                                              "#{@conditions.dew_point_c.round} °C): heat on before the throttle closes, as the flight manual says.")
      end
    end
  end
end
