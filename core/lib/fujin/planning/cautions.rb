# frozen_string_literal: true

module Fujin
  module Planning
    # What to watch today, each with the number behind it and what to do about it. A check whose number the plan does
    # not have says nothing.
    class Cautions
      # Stage limits (settings of the house): wind, gust spread, crosswind, knots.
      STAGE_LIMITS = {
        'early' => [15, 8, 8],
        'solo' => [20, 10, 10],
        'test' => [25, 12, 12],
        'instructor' => [30, 15, 15]
      }.freeze

      TRAINING_AID = [
        'training_aid',
        'Training aid only: the flight manual, the operator, the authority and a licensed instructor decide.'
      ].freeze
      THROTTLE_OFF = [
        'throttle_off',
        'Throttle-off practice near the ground only with a qualified instructor on the controls.'
      ].freeze
      GATE = ['gate', 'A gate missed is a go-around.'].freeze
      GATE_POWER_OFF = ['gate', 'A gate missed is a go-around: throttle joined first, then collective.'].freeze

      # @param declaration [Catalogue::Declaration]
      # @param slow_headings [Array<Array(String, Float)>] flown slowly with power
      # @param own [Array<Caution>] the manoeuvre's
      def initialize(conditions, numbers, course_deg:, stage:, declaration:, house:, slow_headings: [], own: [])
        @conditions = conditions
        @type = conditions.type
        @numbers = numbers
        @course_deg = course_deg
        @stage = stage
        @declaration = declaration
        @house = house
        @slow_headings = slow_headings
        @own = own
      end

      # @return [Array<Caution>] limits first
      def all
        found =
          [
            *wind_limits,
            mass,
            *power,
            power_margin,
            floor_rpm,
            reaction,
            tailwind,
            lte,
            carburettor_ice,
            airframe_ice,
            density_altitude,
            enrichment,
            *@own
          ].compact + always
        found.sort_by.with_index { |caution, i| [%w[limit caution note].index(caution.level), i] }
      end

      private

      def value(name) = @numbers[name]&.value
      def caution(id, level, text) = Caution.new(id: id, level: level, text: text)

      def always
        texts = [TRAINING_AID]
        texts += [THROTTLE_OFF, GATE_POWER_OFF] if @declaration.power_off
        texts << GATE if !@declaration.power_off && @declaration.gated
        texts.map { |id, text| caution(id, 'note', text) }
      end

      def wind_limits
        top, spread, cross = STAGE_LIMITS.fetch(@stage)
        wind = @conditions.wind
        across = wind.crosswind_kt(@course_deg).abs
        [
          over('stage_wind', 'Wind', [wind.speed_kt, wind.gust_kt || 0].max, top),
          over('stage_gust_spread', 'Gust spread', wind.gust_spread_kt, spread),
          over('stage_crosswind', 'Crosswind', across, cross)
        ]
      end

      def over(id, name, value, limit)
        return nil unless value > limit

        caution(
          id,
          'limit',
          "#{name} #{value.round} kt is over the limit of #{limit} kt " \
            "for stage '#{@stage}', by #{(value - limit).ceil} kt: not today with this student."
        )
      end

      def mass
        top = @type.fetch('masses_kg.max')
        return nil unless @conditions.mass_kg > top

        caution(
          'mass',
          'limit',
          "Mass #{@conditions.mass_kg.round} kg is over the type's #{top} kg, by #{(@conditions.mass_kg - top).ceil} " \
            'kg: do not fly.'
        )
      end

      # Hovering at the end (or the beginning) is out of the question without the power for it.
      def power
        return [climb_power] unless @type.helicopter?

        available = value('power_available_kw')
        ige = value('hover_power_ige_kw')
        oge = value('hover_power_oge_kw')
        return [caution('power_ige', 'limit', 'The rotor cannot carry this load here: no hover.')] unless ige && oge
        if available < ige
          return [
            caution(
              'power_ige',
              @declaration.hovers == 'none' ? 'caution' : 'limit',
              hover_text('in ground effect', ige, available, 'no hover today')
            )
          ]
        end
        return [] unless available < oge

        level = @declaration.hovers == 'oge' ? 'limit' : 'caution'
        [
          caution(
            'power_oge',
            level,
            hover_text(
              'out of ground effect',
              oge,
              available,
              'end low, keep translational lift until in ground effect'
            )
          )
        ]
      end

      def climb_power
        climb = value('climb_fpm')
        return nil if climb && climb > 200

        text =
          if climb
            "Full power gives #{climb.round} ft/min of climb, 200 wanted, #{(200 - climb).ceil} short"
          else
            'Full power does not keep level flight'
          end
        caution('climb', 'limit', "#{text} at this mass and density altitude: lighter, cooler or not today.")
      end

      def hover_text(where, needed, available, advice)
        "Hover #{where} needs #{needed.round(1)} kW, #{available.round(1)} kW are there, " \
          "#{(needed - available).round(1)} kW short: #{advice}."
      end

      # The house's least power margin for this manoeuvre.
      def power_margin
        wanted = @declaration.least_power_margin_pct
        name = @declaration.hovers == 'oge' ? 'power_margin_pct' : 'power_margin_ige_pct'
        margin = value(name)
        return nil if wanted.nil? || margin.nil? || margin.negative? || margin >= wanted

        where = @declaration.hovers == 'oge' ? 'out of' : 'in'
        caution(
          'power_margin',
          'limit',
          "Power margin #{where} ground effect is #{margin.round(1)} %, #{wanted} % wanted for this manoeuvre, " \
            "#{(wanted - margin).round(1)} points short: less fuel, solo, a cooler hour, or another exercise."
        )
      end

      def floor_rpm
        floor = value('rotor_rpm_on_floor_pct')
        return nil unless floor && @type.helicopter?

        high = @type.power_off_band[1]
        if floor < 100
          caution(
            'floor_rpm_low',
            'caution',
            "Rotor rpm on the collective stop is #{floor.round(1)} % today: that is the target. 100 % cannot be " \
              'held, so no collective in the glide.'
          )
        elsif floor > high
          caution(
            'floor_rpm_high',
            'caution',
            "Rotor rpm on the collective stop would reach #{floor.round(1)} %, over the band's #{high} %: collective " \
              'check early and small.'
          )
        end
      end

      def reaction
        seconds = value('reaction_time_s')
        return nil unless seconds

        hand = HAND.fetch(@house['collective_hand'])
        caution(
          'reaction',
          seconds < 1.2 ? 'caution' : 'note',
          "From #{value('entry_speed_kt').round} kt the rotor falls to #{@type.power_off_band[0]} % in " \
            "#{seconds.round(1)} s with the hands still: " \
            "#{hand}, #{@type.power_loss_pedal} pedal with it."
        )
      end

      HAND = {
        'on' => 'left hand on the collective',
        'beside' => 'left hand beside the collective, so the reach is part of those seconds',
        'friction' => 'collective on friction, so loosening it is part of those seconds'
      }.freeze
      private_constant :HAND

      def tailwind
        headwind = @conditions.wind.headwind_kt(@course_deg)
        return nil if headwind > -3 || @declaration.any_course

        caution(
          'tailwind',
          'caution',
          "Tailwind #{(-headwind).round} kt on the final course: ground speed at the end is higher by that much. " \
            'Turn the line round if you can.'
        )
      end

      def lte
        wind = @conditions.wind
        return nil if wind.speed_kt < 8 || !@type.helicopter?

        hit = @slow_headings.find { |_, heading| Aircraft::TailRotor.disturbed?(@type, wind.from_deg - heading) }
        return nil unless hit

        relative = ((wind.from_deg - hit[1]) % 360).round
        caution(
          'lte',
          'caution',
          "Wind #{relative}° from the nose #{hit[0]} lies in a loss-of-tail-rotor-effectiveness sector for this " \
            'rotor direction: ' \
            "be ready with #{@type.power_on_pedal} pedal as collective comes in."
        )
      end

      # Carburettor icing from temperature and dew point; the band is the usual training chart's, rounded outwards.
      def carburettor_ice
        return nil unless @type.carburettor? && @conditions.dew_point_c

        spread = @conditions.oat_c - @conditions.dew_point_c
        return nil unless @conditions.oat_c.between?(-7, 32) && spread < 12

        serious = spread < 6 && @conditions.oat_c < 22
        caution(
          'carburettor_ice',
          'caution',
          "Carburettor ice #{serious ? 'likely at low power' : 'possible'} (#{@conditions.oat_c.round} °C, dew point " \
            "#{@conditions.dew_point_c.round} °C): #{@declaration.heat_prompt}, as the flight manual says."
        )
      end

      def airframe_ice
        unless @conditions.oat_c <= 0 && @conditions.dew_point_c && @conditions.oat_c - @conditions.dew_point_c < 2
          return nil
        end

        caution(
          'airframe_ice',
          'caution',
          "#{@conditions.oat_c.round} °C and nearly saturated: airframe and blade ice in cloud, mist or drizzle. " \
            'Stay out of visible moisture; turn back before it.'
        )
      end

      def density_altitude
        feet = value('density_altitude_ft')
        return nil unless feet && feet > 3000

        caution(
          'density_altitude',
          'caution',
          "Density altitude #{feet.round(-2)} ft: true speeds are " \
            "#{((@conditions.atmosphere.true_speed(1.0) - 1.0) * 100).round} % " \
            'over what the dial shows, ' \
            'less power, rotor rpm higher in autorotation. Begin higher, check rpm early.'
        )
      end

      # Exercises outside the test, by the house's choice.
      def enrichment
        return nil unless @declaration.outside_test

        case @house['outside_test']
        when 'not_at_all'
          caution('outside_test', 'limit', 'The house method does not teach this exercise: outside the test.')
        when 'enrichment'
          return nil if %w[test instructor].include?(@stage)

          caution(
            'outside_test',
            'caution',
            "Outside the test: the house method keeps it for after the test, and the standard here is '#{@stage}'."
          )
        end
      end
    end
  end
end
