# frozen_string_literal: true

module Fujin
  module Planning
    # What today's power says of a manoeuvre that hovers or climbs. For Cautions, whose numbers, declaration and type it
    # reads.
    module PowerCautions
      # Less is no climb to go with, of a helicopter's departure either.
      LEAST_CLIMB_FPM = 200.0
      # What is left to do without the power for a hover, by what the course is of.
      NO_HOVER = { 'final' => 'no hover today, a run-on at most', 'take_off' => 'no take-off from a hover today',
                   'hover' => 'no hover today', 'any' => 'no hover to come home to, plan a run-on' }.freeze
      LOW_HOVER_ONLY = { 'final' => 'end low, and keep translational lift until in ground effect',
                         'take_off' => 'stay in ground effect until climb speed, no vertical departure',
                         'hover' => 'stay low', 'any' => 'the hover to come home to is a low one' }.freeze

      private

      # Hovering at the end (or the beginning) is out of the question without the power for it.
      def power
        return [climb_power] unless @type.helicopter?

        available = value('power_available_kw')
        ige = value('hover_power_ige_kw')
        oge = value('hover_power_oge_kw')
        return [caution('power_ige', 'limit', 'The rotor cannot carry this load here: no hover.')] unless ige && oge

        if available < ige
          level = @declaration.hovers == 'none' ? 'caution' : 'limit'
          return [caution('power_ige', level, hover_text('in ground effect', ige, available, NO_HOVER))]
        end
        return [] unless available < oge

        level = @declaration.hovers == 'oge' ? 'limit' : 'caution'
        [caution('power_oge', level, hover_text('out of ground effect', oge, available, LOW_HOVER_ONLY))]
      end

      def climb_power
        climb = value('climb_fpm')
        return nil if climb && climb > LEAST_CLIMB_FPM

        text = if climb
                 Text.of('Full power climbs %{climb} ft/min, %{wanted} wanted', climb: climb.round,
                                                                                wanted: LEAST_CLIMB_FPM.round)
               else
                 'Full power does not hold height'
               end
        caution('climb', 'limit', Text.of("%{text} today: less load, a cooler hour, or don't go.", text: text))
      end

      def hover_text(where, needed, available, advice) =
        Text.of('Hover %{where}: %{needed} kW needed, %{available} available: %{advice}.',
                where: where, needed: needed.round(1), available: available.round(1),
                advice: advice.fetch(@declaration.course_of))

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
          Text.of('Power margin %{margin} % %{where} ground effect, %{wanted} % wanted: less fuel, a cooler hour, or ' \
            'another exercise.',
                  margin: margin.round(1), where: where, wanted: wanted)
        )
      end
    end
  end
end
