# frozen_string_literal: true

module Fujin
  module Flight
    # Faults that a simulated pilot is asked to have, checked against those it can fly.
    module PilotFaults
      # @param faults [Hash{String => Numeric}]
      # @param known [Hash{String => String}] names with the unit of each value
      # @raise [InvalidInput] for an unknown fault or value
      def self.check(faults, known)
        problems = faults.filter_map do |name, value|
          if !known.key?(name)
            { path: "fault.#{name}", message: Text.of('is no fault this pilot can fly; use one of %{known}',
                                                      known: known.keys.join(', ')) }
          elsif !value.is_a?(Numeric) || !value.to_f.finite?
            { path: "fault.#{name}", message: Text.of('expected a number (%{known}), got %{value}',
                                                      known: known[name], value: value.inspect) }
          end
        end
        raise InvalidInput, problems unless problems.empty?
      end
    end
  end
end
