# frozen_string_literal: true

module Fujin
  module Progress
    # A number from, below, and at most; nil is open.
    Span = Value.define(:name, :from, :below, :to, defaults: { from: nil, below: nil, to: nil }) do
      def cover?(value)
        !value.nil? && (from.nil? || value >= from) && (below.nil? || value < below) && (to.nil? || value <= to)
      end
    end
  end
end
