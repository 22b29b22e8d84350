# frozen_string_literal: true

module Fujin
  module Grading
    # How a fault is flown, for OneChange: the simulated pilot's faults for more and for less of it, what shows it, how
    # much of the fault one unit of that asks for, the values that make sense, and the change in words from the amount
    # taken away. Less than `least` of it is nothing. `untold` are measures that it does not tell: flown against twins
    # (docs/one-change.md) they came out otherwise. `measure` is a measure's id, or a reading of its own:
    # FlownAttempt -> number, or nil where it cannot be had. A `last` one is of what happens last, which may come from
    # all that was before.
    Knob = Value.define(:id, :more, :less, :measure, :gain, :range, :least, :words, :last,
                        :untold, defaults: { less: nil, gain: 1.0, last: false, untold: [].freeze }) do
      def flies?(fault_id) = [more, less].include?(fault_id)

      # Is there something of the fault in a value?
      def shows?(fault_id, value) = value.abs >= least && fault(value).first == fault_id

      # @param flown [FlownAttempt]
      # @return [Float, nil]
      def read(flown) = measure.respond_to?(:call) ? measure.call(flown) : flown.value(measure)

      # The pilot's fault for a value, or nil for none.
      # @return [Array(String, Float), nil]
      def fault(value)
        return nil if value.abs <= 1e-3
        return [less, -value] if less && value.negative?

        [more, value]
      end
    end
  end
end
