# frozen_string_literal: true

module Fujin
  # In which units somebody reads and writes what pilots have several for. What is stored stays as it is.
  module Units
    # The first of each is the usual one.
    CHOICES = { 'temperature' => %w[c f], 'pressure' => %w[hpa inhg], 'mass' => %w[kg lb],
                'time' => %w[utc local] }.freeze

    module_function

    # Their own, else the school's.
    def of(person, school)
      CHOICES.to_h { |name, choices| [name, person.units[name] || school.units[name] || choices.first] }
    end

    # @raise [InvalidInput]
    def check!(units)
      wrong = units.reject { |name, value| CHOICES.fetch(name, []).include?(value) }
      return if wrong.empty?

      raise InvalidInput, (wrong.map do |name, value|
        { path: "units.#{name}",
          message: Text.of('expected one of %{name}, got %{value}',
                           name: CHOICES.fetch(name, CHOICES.keys).join(', '), value: value.inspect) }
      end)
    end
  end
end
