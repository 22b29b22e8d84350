# frozen_string_literal: true

module Fujin
  # Core values as plain hashes for JSON, used by the server and the command line alike.
  # Nothing here needs a database.
  module Serialisers
    module_function

    # Finite floats to a sensible number of digits; anything else is no number.
    def number(value, digits = 4)
      return nil if value.nil? || (value.is_a?(Float) && !value.finite?)

      value.is_a?(Float) ? value.round(digits) : value
    end

    def pair(values) = values&.map { |v| number(v) }
  end
end
