# frozen_string_literal: true

module Fujin
  module Planning
    # What to watch today, each with the number behind it and what to do about it. A check whose number the plan does
    # not have says nothing.
    class Cautions
      include PowerCautions

      # Stage limits (settings of the house), knots.
      StageLimits = Value.define(:wind, :gust_spread, :crosswind, :tailwind)
      STAGE_LIMITS = {
        'early' => StageLimits.new(wind: 15, gust_spread: 8, crosswind: 8, tailwind: 5),
        'solo' => StageLimits.new(wind: 20, gust_spread: 10, crosswind: 10, tailwind: 5),
        'test' => StageLimits.new(wind: 25, gust_spread: 12, crosswind: 12, tailwind: 5),
        'instructor' => StageLimits.new(wind: 30, gust_spread: 15, crosswind: 15, tailwind: 5)
      }.freeze

      # A tailwind under this is not worth a word, kt.
      TAILWIND_KT = 1.0

      TRAINING_AID = [
        'training_aid',
        'Training aid only: the flight manual, the operator, the authority and a licensed instructor decide.'
      ].freeze
      THROTTLE_OFF = [
        'throttle_off',
        'Throttle off near the ground: only with a qualified instructor on the controls.'
      ].freeze
      GATE = 'A gate missed is a go-around.'
      GATE_POWER_OFF = 'A gate missed is a go-around: throttle joined first, then collective.'

      # @param declaration [Catalogue::Declaration]
      # @param slow_headings [Array<Array(String, Float)>] flown slowly with power
      # @param gated [Boolean] has the plan gates?
      # @param own [Array<Caution>] the manoeuvre's
      def initialize(conditions, numbers, course_deg:, stage:, declaration:, house:, slow_headings: [], gated: true,
                     own: [])
        @conditions = conditions
        @type = conditions.type
        @numbers = numbers
        @course_deg = course_deg
        @stage = stage
        @declaration = declaration
        @house = house
        @slow_headings = slow_headings
        @gated = gated
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
        texts << THROTTLE_OFF if @declaration.power_off && @declaration.course_of != 'any'
        texts << ['gate', missed_gate] if missed_gate
        texts.map { |id, text| caution(id, 'note', text) }
      end

      # What to do at a gate missed, said only where there is one, or where the exercise has its own words.
      def missed_gate = @declaration.missed_gate || (@gated ? ordinary_go_around : nil)
      def ordinary_go_around = @declaration.power_off ? GATE_POWER_OFF : GATE

      def wind_limits
        limits = STAGE_LIMITS.fetch(@stage)
        wind = @conditions.wind
        [
          over('stage_wind', 'Wind', wind.speed_kt, limits.wind),
          over('stage_gust', 'Gusts to', wind.gust_kt || 0, limits.wind),
          over('stage_gust_spread', 'Gust spread', wind.gust_spread_kt, limits.gust_spread),
          over('stage_crosswind', 'Crosswind', wind.crosswind_kt(@course_deg).abs, limits.crosswind)
        ]
      end

      def over(id, name, value, limit)
        return nil unless value > limit

        caution(
          id,
          'limit',
          Text.of('%{name} %{value} kt, limit %{limit} kt at %{stage} stage: not today.',
                  name: name, value: format('%g', value.round(1)), limit: limit, stage: @stage)
        )
      end

      def mass
        top = @type.fetch('masses_kg.max')
        return nil unless @conditions.mass_kg > top

        caution(
          'mass',
          'limit',
          Text.of('%{mass_kg} kg over the greatest mass of %{top} kg: do not fly.',
                  mass_kg: (@conditions.mass_kg - top).ceil, top: top)
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
            Text.of('Collective fully down gives %{floor} % today: that is the target. Keep it fully down.',
                    floor: floor.round(1))
          )
        elsif floor > high
          caution(
            'floor_rpm_high',
            'caution',
            Text.of("Collective fully down would pass the band's %{high} % (%{floor} %): check early and small.",
                    high: high, floor: floor.round(1))
          )
        end
      end

      # With the power still there the answer is another: the manoeuvre has its own words.
      def reaction
        seconds = value('reaction_time_s')
        return nil unless seconds && @declaration.power_off

        caution(
          'reaction',
          seconds < 1.2 ? 'caution' : 'note',
          Text.of('From %{entry_speed_kt} kt the rotor falls to %{power_off_band} % in %{seconds} s with the hands ' \
            'still: %{house}, %{power_loss_pedal} pedal with it.',
                  entry_speed_kt: value('entry_speed_kt').round, power_off_band: @type.power_off_band[0],
                  seconds: seconds.round(1), house: HAND.fetch(@house['collective_hand']),
                  power_loss_pedal: @type.power_loss_pedal)
        )
      end

      HAND = {
        'on' => 'left hand on the collective',
        'beside' => 'left hand beside the collective, so the reach is part of those seconds',
        'friction' => 'collective on friction, so loosening it is part of those seconds'
      }.freeze
      private_constant :HAND

      # Autorotations, approaches and take-offs are planned into wind: from the stage's limit on it is one. A hover is
      # turned round more easily than a line, unless the power goes in it.
      def tailwind
        tail = -@conditions.wind.headwind_kt(@course_deg)
        words = TAILWINDS[@declaration.course_of]
        return nil if tail < TAILWIND_KT || words.nil?

        allowed = STAGE_LIMITS.fetch(@stage).tailwind
        limit = tail.round(6) >= allowed && (@declaration.course_of != 'hover' || @declaration.power_off)
        words = Text.of(words, kt: tail.round)
        return caution('tailwind', 'caution', words) unless limit

        caution('tailwind', 'limit', Text.of('%{words} %{allowed} kt and more behind is over the limit for stage ' \
          "'%{stage}'.",
                                             words: words, allowed: allowed, stage: @stage))
      end

      TAILWINDS = {
        'final' =>
          'Tailwind %{kt} kt on the final course: ground speed at the end is higher by that much. Turn the line ' \
          'round.',
        'take_off' =>
          'Tailwind %{kt} kt on the take-off line: more ground to lift off and to climb over. Turn the line round.',
        'hover' =>
          'Wind %{kt} kt from behind the nose: the tail wants to swing into it, and there is less to stop a drift ' \
          'backwards. Turn the nose into wind.'
      }.freeze
      private_constant :TAILWINDS

      def lte
        wind = @conditions.wind
        return nil if wind.speed_kt < Aircraft::TailRotor::LEAST_KT || !@type.helicopter?

        hit = @slow_headings.find { |_, heading| Aircraft::TailRotor.disturbed?(@type, wind.from_deg - heading) }
        return nil unless hit

        relative = ((wind.from_deg - hit[1]) % 360).round
        caution(
          'lte',
          'caution',
          Text.of('Wind from %{relative}° to the nose %{hit}: tail rotor disturbed there (a loss of its ' \
            'effectiveness). Be ready with %{power_on_pedal} pedal as the collective comes in.',
                  relative: relative, hit: hit[0], power_on_pedal: @type.power_on_pedal)
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
          Text.of('Carburettor ice %{how_likely} (%{oat_c} °C, dew point %{dew_point_c} °C): %{heat_prompt}.',
                  how_likely: serious ? 'likely at low power' : 'possible', oat_c: @conditions.oat_c.round,
                  dew_point_c: @conditions.dew_point_c.round, heat_prompt: @declaration.heat_prompt)
        )
      end

      def airframe_ice
        unless @conditions.oat_c <= 0 && @conditions.dew_point_c && @conditions.oat_c - @conditions.dew_point_c < 2
          return nil
        end

        caution(
          'airframe_ice',
          'caution',
          Text.of('%{oat_c} °C and nearly saturated: airframe and blade ice in cloud, mist or drizzle. Stay out of ' \
            'visible moisture; turn back before it.',
                  oat_c: @conditions.oat_c.round)
        )
      end

      def density_altitude
        feet = value('density_altitude_ft')
        return nil unless feet && feet > 3000

        over = ((@conditions.atmosphere.true_speed(1.0) - 1.0) * 100).round
        caution(
          'density_altitude',
          'caution',
          Text.of('Density altitude %{feet} ft: less power, true speed %{over} % over the dial%{density_adds}.',
                  feet: Quantities.thousands(feet.round(-2)), over: over, density_adds: density_adds)
        )
      end

      def density_adds
        if @declaration.power_off && @declaration.course_of != 'hover'
          '. Rotor rpm builds quicker in autorotation: begin higher, check early'
        elsif @declaration.course_of == 'take_off'
          @type.helicopter? ? '. Less climb, more ground to climb speed' : '. A longer roll, a weaker climb'
        elsif @declaration.course_of == 'final'
          '. More ground speed for the same airspeed'
        end
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
            'Outside the test syllabus: the school teaches it after the test.'
          )
        end
      end
    end
  end
end
