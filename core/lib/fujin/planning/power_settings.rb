# frozen_string_literal: true

module Fujin
  module Planning
    # The power to expect on the gauge today, phase by phase, for the phases that a power card is learned in
    # (Recordings::PowerCard): hover at the house's height, the circuit's climb-away, cruise, a descent at cruise speed.
    module PowerSettings
      DESCENT_FPM = 500.0

      module_function

      # @param conditions [Conditions], @param house [HouseMethod]
      # @return [Hash{String => Float}] by phase, in the instrument's own unit; without what the model cannot answer
      def of(conditions, house)
        engine = Flight::Engine.new(conditions.type, conditions.atmosphere)
        powers(conditions, house).filter_map do |phase, power|
          [phase, engine.instrument(power.call, 1.0)]
        rescue OutsideModel
          nil
        end.to_h
      end

      # What a school climbs away with, watts: the hover's power, as far as there is so much; a gyroplane all it has.
      # @raise [OutsideModel]
      def climb_power_w(conditions, house)
        available = Performance.of(conditions).power_available_w
        return available unless conditions.type.helicopter?

        [hover_power_w(conditions, house), available].min
      end

      def hover_power_w(conditions, house) =
        conditions.trim.hover_power_w(height_m: house['hover_height_ft'] * Quantities::FT)

      def powers(conditions, house)
        performance = Performance.of(conditions)
        cruise = conditions.type.fetch('speeds_kt.cruise').to_f
        hover = conditions.type.helicopter? ? { 'hover' => -> { hover_power_w(conditions, house) } } : {}
        { **hover,
          'climb' => -> { climb_power_w(conditions, house) },
          'cruise' => -> { performance.level_power_w(cruise) },
          'descent' => -> { performance.power_w(cruise, DESCENT_FPM * Quantities::FPM) } }
      end
      private_class_method :powers, :hover_power_w
    end
  end
end
