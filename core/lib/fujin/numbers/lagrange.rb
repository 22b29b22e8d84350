# frozen_string_literal: true

module Fujin
  # A value between steps that are not evenly spaced, by the parabola through the three nearest of them (J.-L. Lagrange,
  # "Leçons élémentaires sur les mathématiques données à l'École normale", 1795).
  module Lagrange
    # @param steps [Array<Float>] three at least, ascending
    # @param value [Float] beyond the steps the first or last of them stands for it
    # @return [Array<Array(Integer, Float)>] three steps by index, and what each weighs
    def self.weights(steps, value)
      value = value.clamp(steps.first, steps.last)
      first = value < steps[1] ? 0 : [steps.index { |step| step >= value } - 1, steps.size - 3].min
      a, b, c = steps[first, 3]
      [
        [first, (value - b) * (value - c) / ((a - b) * (a - c))],
        [first + 1, (value - a) * (value - c) / ((b - a) * (b - c))],
        [first + 2, (value - a) * (value - b) / ((c - a) * (c - b))]
      ]
    end
  end
end
