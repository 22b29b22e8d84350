# frozen_string_literal: true

module Fujin
  module Bookings
    # From a moment to a moment; what ends as another begins does not overlap it.
    Slot = Value.define(:from, :to) do
      def overlaps?(other) = from < other.to && other.from < to
      def minutes = (to - from) / 60.0
    end
  end
end
