# frozen_string_literal: true

require 'yaml'

module Fujin
  module Planning
    # What a manoeuvre's plan can be told besides the day and the house method: `--set NAME=VALUE` on the command line,
    # an exercise's own settings in a sortie. A manoeuvre's declaration lists which it takes.
    module Settings
      FILE = File.expand_path('../../../data/settings.yml', __dir__)

      # `allowed` is a range, or the choices with the default first; `stands_for` the plan number that an empty one
      # becomes.
      Setting = Value.define(:name, :default, :allowed, :unit, :label, :stands_for)

      ALL = YAML.safe_load_file(FILE).map do |name, fields|
        low, high, choices = fields.values_at('low', 'high', 'choices')
        Setting.new(name: name, default: fields.fetch('default') { choices&.first }, allowed: choices || (low..high),
                    unit: fields['unit'], label: fields.fetch('label'), stands_for: fields.fetch('stands_for', name))
      end.freeze
      BY_NAME = ALL.to_h { |setting| [setting.name, setting] }.freeze

      module_function

      # Settings of a manoeuvre with what was given, checked by name and range.
      # @param names [Array<String>] that the manoeuvre takes
      # @return [Hash{String => Object}]
      # @raise [UnknownName, InvalidInput]
      def read(names, given)
        unknown = given.keys - names
        unless unknown.empty?
          raise UnknownName, Text.of('no setting %{unknown} here: use %{names}',
                                     unknown: unknown.join(', '), names: (names + HouseMethod::NAMES).join(', '))
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
          if range
            Text.of('a number from %{low} to %{high}', low: setting.allowed.begin, high: setting.allowed.end)
          else
            Text.of('one of %{allowed}', allowed: setting.allowed.join(', '))
          end
        { path: setting.name, message: Text.of('expected %{expected}, got %{value}',
                                               expected: expected, value: value.inspect) }
      end
    end
  end
end
