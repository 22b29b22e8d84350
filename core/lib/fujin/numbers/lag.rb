# frozen_string_literal: true

module Fujin
  # First-order lag: what follows a step covers 63 % of it in one time constant.
  module Lag
    module_function

    # Share of the way to a steady target that is covered in a time: 1 - e^(-t/τ).
    # @param seconds [Float], @param time_constant_s [Float] over 0
    def share(seconds, time_constant_s) = 1.0 - Math.exp(-seconds / time_constant_s)

    # @return [Float] a value after following a target for a time
    def follow(value, target, seconds, time_constant_s) = value + ((target - value) * share(seconds, time_constant_s))
  end
end
