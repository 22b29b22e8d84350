# frozen_string_literal: true

module Fujin
  module Glossary
    # Where a card has a number: what is watched, and the details by what they are about.
    GROUPS = %w[watch air power rotor glide turn ground model].freeze

    # What is known of one planned number; the fields are those of core/data/plan_numbers.yml.
    NumberEntry =
      Value.define(:id, :label, :unit, :digits, :group, :why, :differing, defaults: { differing: {}.freeze }) do
        # @param fields [Hash{String => Object}] of the data file
        # @raise [ArgumentError] naming the number and what is wrong with it
        def self.of(id, fields, units)
          missing = %w[label unit digits group why] - fields.keys
          raise ArgumentError, "#{id}: #{missing.join(', ')} missing" unless missing.empty?
          raise ArgumentError, "#{id}: no unit #{fields['unit'].inspect}" unless units.key?(fields['unit'])
          raise ArgumentError, "#{id}: no group #{fields['group'].inspect}" unless GROUPS.include?(fields['group'])

          new(id: id, **fields.except('in').transform_keys(&:to_sym), differing: fields.fetch('in', {}))
        end

        # As it is in one manoeuvre.
        def in(manoeuvre) = differing.key?(manoeuvre) ? with(**differing[manoeuvre].transform_keys(&:to_sym)) : self
      end
  end
end
