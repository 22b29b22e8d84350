# frozen_string_literal: true

module Fujin
  module Planning
    # Makes planned numbers: a value with its unit, or the reason it cannot be had.
    module Numbers
      private

      def number(value, unit, low = nil, high = nil) = PlanNumber.new(value: value, unit: unit, low: low, high: high)
      def no_number(unit, reason) = PlanNumber.new(value: nil, unit: unit, reason: reason)

      # The block's number, or the reason it cannot be had.
      def try(unit)
        value = yield
        value.is_a?(PlanNumber) ? value : number(value, unit)
      rescue OutsideModel => e
        no_number(unit, e.message)
      end

      # The block's value for a table or a curve, nil where the model has no answer.
      def cell
        yield
      rescue OutsideModel
        nil
      end
    end
  end
end
