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

      def powers(conditions, house)
        performance = Performance.of(conditions)
        cruise = conditions.type.fetch('speeds_kt.cruise').to_f
        hover = -> { conditions.trim.hover_power_w(height_m: house['hover_height_ft'] * Quantities::FT) }
        level = { 'cruise' => -> { performance.level_power_w(cruise) },
                  'descent' => -> { performance.power_w(cruise, DESCENT_FPM * Quantities::FPM) } }
        return { 'climb' => -> { performance.power_available_w }, **level } unless conditions.type.helicopter?

        { 'hover' => hover, 'climb' => -> { [hover.call, performance.power_available_w].min }, **level }
      end
      private_class_method :powers
    end
  end
end
