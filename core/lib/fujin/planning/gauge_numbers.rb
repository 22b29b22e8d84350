# frozen_string_literal: true

module Fujin
  module Planning
    # Planned numbers as the cockpit shows them: powers on the manifold pressure or torque gauge at normal rotor rpm,
    # heights on the altimeter set to QNH.
    class GaugeNumbers
      include Numbers

      Q = Quantities
      # Powers whose reading is worth having, and heights above the ground.
      POWERS = %w[level_power_kw fast_power_kw slow_power_kw least_power_kw final_power_kw power_cap_kw].freeze
      HEIGHTS = %w[entry_height_ft gate_height_ft flare_height_ft decision_height_ft set_up_height_ft].freeze
      # A torque gauge's percent, beside percents of other things.
      NAMES = { 'pct' => 'torque_pct' }.freeze

      # @param numbers [Hash{String => PlanNumber}] planned so far
      def initialize(conditions, numbers)
        @conditions = conditions
        @numbers = numbers
        @engine = Flight::Engine.new(conditions.type, conditions.atmosphere)
      end

      # @return [Hash{String => PlanNumber}]
      def all = powers.merge(differences, altitudes)

      # @return [String] end of the id of a number in the gauge's unit
      def suffix = NAMES.fetch(unit, unit)

      private

      def unit = @engine.instrument_unit
      def value(id) = @numbers[id]&.value
      def shown(kilowatts) = @engine.instrument(kilowatts * 1000.0, 1.0)

      def powers =
        POWERS.select { |id| value(id) }.to_h do |id|
          [id.sub(/kw\z/, suffix), number(shown(value(id)), unit)]
        end

      # What the needle has to move by.
      def differences
        {
          'power_margin' => %w[power_available_kw hover_power_oge_kw],
          'cap_margin' => %w[power_cap_kw final_power_kw],
          'climb_step' => %w[climb_step_power_kw level_power_kw],
          'final_pull' => (%w[final_power_kw least_power_kw] if value('final_pull_kw'))
        }.filter_map do |name, ids|
          high, low = ids&.map { |id| value(id) }
          ["#{name}_#{suffix}", number(shown(high) - shown(low), unit)] if high && low
        end.to_h
      end

      # Where the ground is not at sea level the altimeter shows something else than the plan.
      def altitudes
        return {} if @conditions.elevation_ft.zero?

        HEIGHTS.select { |id| value(id) }.to_h do |id|
          [id.sub('height', 'altitude'), number(value(id) + @conditions.elevation_ft, 'ft')]
        end
      end
    end
  end
end
