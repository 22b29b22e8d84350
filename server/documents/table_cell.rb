# frozen_string_literal: true

module Fujin
  # Text in a table that somebody opens as a spreadsheet.
  module TableCell
    # A spreadsheet takes what begins like a formula for one.
    def self.plain(value) = value.is_a?(String) && value.match?(/\A[=+\-@\t]/) ? "'#{value}" : value
  end
end
