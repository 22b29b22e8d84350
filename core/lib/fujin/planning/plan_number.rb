# frozen_string_literal: true

module Fujin
  module Planning
    # One planned number. `low` and `high` are the 5 and 95 % bounds where they are known.
    # A number that cannot be had has no value, the verdict 'outside_model' and the reason.
    PlanNumber = Value.define(:value, :unit, :low, :high, :reason, defaults: { low: nil, high: nil, reason: nil })
  end
end
