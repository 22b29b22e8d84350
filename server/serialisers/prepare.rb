# frozen_string_literal: true

module Fujin
  module Serialisers
    module_function

    # @param wanted [Integer] landings asked for
    def dispersion(row, wanted:)
      {
        'id' => row.id,
        'sortie_id' => row.sortie_id,
        'status' => row.status,
        'runs' => row.runs,
        'wanted' => wanted,
        'error' => row.error,
        'result' => row.result
      }
    end

    def type_row(type)
      {
        'id' => type.id,
        'name' => type.name,
        'kind' => type.kind,
        'rotor_direction' => type.fetch('rotor.rotation'),
        'numbers' => type_numbers(type),
        'rotor_rpm_bands' => rotor_bands(type)
      }
    end

    # @param history [Array<AircraftTypeVersion>] newest first
    def type(type, history)
      type_row(type).merge(
        'data' => type.data,
        'fields' => type_fields(type),
        'history' =>
          history.map do |v|
            {
              'number' => v.number,
              'reason' => v.reason,
              'by' => v.by.name,
              'created_at' => time(v.created_at),
              'changed' => changed_fields(v, history)
            }
          end
      )
    end

    # What a form shows: each field with its value and what is allowed.
    def type_fields(type)
      Aircraft::Schema
        .rules_for(type.kind)
        .map do |path, rule|
          {
            'path' => path,
            'kind' => rule[:kind].to_s,
            'value' => Aircraft::Schema.dig(type.data, path),
            'low' => rule[:low],
            'high' => rule[:high],
            'choices' => rule[:allowed] || []
          }
        end
    end

    # Paths whose values this version changed against the one before.
    def changed_fields(version, history)
      before = history.find { |v| v.number == version.number - 1 }
      return [] unless before

      Aircraft::Schema
        .rules_for(version.data['kind'])
        .keys
        .reject { |path| Aircraft::Schema.dig(version.data, path) == Aircraft::Schema.dig(before.data, path) }
    end
  end
end
