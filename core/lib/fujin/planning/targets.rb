# frozen_string_literal: true

module Fujin
  module Planning
    # What the names in a standard's rules stand for on one day: what the asker knows itself, the numbers of the
    # manoeuvre's plan, the house method, the type.
    class Targets
      # Of the type; nil where a type leaves it open.
      OF_TYPE = {
        'power_off_low_pct' => ->(type) { type.power_off_band[0] },
        'power_off_high_pct' => ->(type) { type.power_off_band[1] },
        'absolute_rotor_rpm_low_pct' => ->(type) { type.absolute_rotor_rpm[0] },
        'absolute_rotor_rpm_high_pct' => ->(type) { type.absolute_rotor_rpm[1] },
        'low_warning_pct' => lambda(&:low_warning_pct),
        'lowest_glide_kt' => ->(type) { type.fetch('speeds_kt.lowest_glide') },
        'never_exceed_power_off_kt' => ->(type) { type.fetch('speeds_kt.never_exceed_power_off') },
        'slope_limit_deg' => lambda(&:slope_limit_deg),
        'never_exceed_kt' => ->(type) { type.fetch('speeds_kt.never_exceed') },
        'run_on_limit_kt' => ->(type) { type.optional('speeds_kt.run_on_limit', nil) },
        'flap_limit_deg' => ->(type) { type.optional('flap_limit_deg', 9.0) }
      }.freeze
      # Known to a taker of measures alone.
      OWN = %w[
        lowest_rotor_rpm_pct gate_speed_kt gate_rotor_rpm_pct gate_sink_fpm decision_sink_allowed_fpm
        power_cap_engine_pct speed_change_planned_kt settle_time_s lowest_end_ft
        clearance_over_obstacles_kept_ft clearance_on_the_way_out_kept_ft
      ].freeze

      HOUSE_WORDS = { 'setup_s' => 'steady time before the entry' }.freeze

      # @return [Boolean] can a rule name it?
      def self.name?(name)
        OF_TYPE.key?(name) || OWN.include?(name) || Glossary.numbers.key?(name) || house?(name)
      end

      # @return [String] as a person reads it: "the day's flare height"
      def self.label(name)
        if house?(name) && !Glossary.numbers.key?(name)
          return Text.of("the house's %{name}", name: HOUSE_WORDS.fetch(name, plain(name)))
        end
        return Text.of("the type's %{name}", name: plain(name)) if OF_TYPE.key?(name) && !Glossary.numbers.key?(name)

        label = Glossary.numbers[name]&.label || plain(name)
        Text.of("the day's %{label}", label: label[0].downcase + label[1..])
      end

      # @return [Array<String>] what those are called that no number of a plan or of the house is called by
      def self.words = [*OF_TYPE.keys, *OWN].map { |name| plain(name) }

      def self.house?(name) = HouseMethod::NAMES.include?(name)
      def self.plain(name) = name.sub(/_(kt|ft|pct|deg|fpm|s)\z/, '').tr('_', ' ')
      private_class_method :house?, :plain

      # @param type [Aircraft::Type], @param house [HouseMethod]
      # @param own [Hash{String => Float}] what the asker knows itself
      # @param numbers [#call] gives the plan's numbers by id, asked only when one of them is wanted; a day that is
      #   outside the model has none
      def initialize(type:, house:, own: {}, numbers: -> { {} })
        @type = type
        @house = house
        @own = own
        @numbers = numbers
      end

      # @return [Float]
      # @raise [KeyError] when the day does not give it
      def fetch(name)
        @own[name] || planned(name) || house(name) || OF_TYPE[name]&.call(@type) ||
          raise(KeyError, Text.of("the day's plan gives no %{name}", name: name))
      end

      alias [] fetch

      private

      def planned(name)
        return nil unless Glossary.numbers.key?(name)

        @planned ||= @numbers.call
        @planned[name]&.value
      rescue OutsideModel, InvalidInput
        nil
      end

      def house(name)
        value = @house.values[name]
        value if value.is_a?(Numeric)
      end
    end
  end
end
