# frozen_string_literal: true

module Fujin
  module Planning
    # What a manoeuvre's plan can be told besides the day and the house method: `--set NAME=VALUE` on the command line,
    # an exercise's own settings in a sortie. A manoeuvre's declaration lists which it takes.
    module Settings
      Setting = Value.define(:name, :default, :allowed, :unit, :label)

      number = ->(name, default, low, high, unit, label) do
        Setting.new(name: name, default: default, allowed: (low..high), unit: unit, label: label)
      end
      choice = ->(name, allowed, label) do
        Setting.new(name: name, default: allowed.first, allowed: allowed, unit: nil, label: label)
      end

      ALL = [
        number.call('glide_rotor_rpm_pct', nil, 80, 120, 'pct', 'Glide rotor'),
        choice.call('spot_option', %w[none delay slow stretch s_turn circle], 'Spot reached by'),
        number.call('turn_deg', nil, 20, 720, 'deg', 'Turn'),
        choice.call('turn_side', %w[left right], 'Turn to the'),
        number.call('bank_deg', nil, 5, 60, 'deg', 'Bank'),
        number.call('power_limit_pct', nil, 40, 100, 'pct', 'Power cap, of hover OGE'),
        number.call('approach_angle_deg', nil, 2, 20, 'deg', 'Approach angle'),
        choice.call('surface', %w[hard short_grass wet_grass gravel], 'Surface'),
        number.call('low_speed_kt', 0, 0, 30, 'kt', 'Descent speed'),
        number.call('radius_ft', nil, 150, 3000, 'ft', 'Turn radius'),
        number.call('leg_ft', nil, 500, 20_000, 'ft', 'Long sides'),
        number.call('width_ft', nil, 300, 10_000, 'ft', 'Short sides'),
        choice.call('departure', %w[hover surface], 'Take-off from the'),
        number.call('obstacle_ft', 50, 0, 300, 'ft', 'Obstacle'),
        number.call('prerotation_pct', nil, 10, 110, 'pct', 'Prerotate to'),
        number.call('power_share_pct', nil, 0, 100, 'pct', 'Power kept on')
      ].freeze
      BY_NAME = ALL.to_h { |setting| [setting.name, setting] }.freeze

      module_function

      # Settings of a manoeuvre with what was given, checked by name and range.
      # @param names [Array<String>] that the manoeuvre takes
      # @return [Hash{String => Object}]
      # @raise [UnknownName, InvalidInput]
      def read(names, given)
        unknown = given.keys - names
        unless unknown.empty?
          raise UnknownName, "no setting #{unknown.join(', ')} here: use #{(names + HouseMethod::NAMES).join(', ')}"
        end

        problems = given.filter_map { |name, value| problem(BY_NAME.fetch(name), value) }
        raise InvalidInput, problems unless problems.empty?

        names.to_h { |name| [name, given[name].nil? ? BY_NAME.fetch(name).default : given[name]] }.freeze
      end

      def problem(setting, value)
        return nil if value.nil?

        range = setting.allowed.is_a?(Range)
        return nil if range ? value.is_a?(Numeric) && setting.allowed.cover?(value) : setting.allowed.include?(value)

        expected =
          (
            if range
              "a number from #{setting.allowed.begin} to #{setting.allowed.end}"
            else
              "one of #{setting.allowed.join(', ')}"
            end
          )
        { path: setting.name, message: "expected #{expected}, got #{value.inspect}" }
      end
    end
  end
end
