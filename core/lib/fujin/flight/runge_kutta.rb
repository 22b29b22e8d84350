# frozen_string_literal: true

module Fujin
  module Flight
    # The arithmetic of a fourth-order Runge-Kutta step (W. Kutta, "Beitrag zur näherungsweisen Integration totaler
    # Differentialgleichungen", 1901): four rates, at its beginning, twice in its middle and at its end, of numbers and
    # of arrays of three. Written out, for these arrays are made at every step.
    module RungeKutta
      private

      # The middle rates count twice; six times their mean.
      def weighted(first, second, third, last) = first + (2 * second) + (2 * third) + last

      # Three numbers after a time at one rate of each.
      def moved(from, rate, dt) = [from[0] + (dt * rate[0]), from[1] + (dt * rate[1]), from[2] + (dt * rate[2])]

      # Three numbers after the step.
      # @param sixth [Float] of the step, s
      def taken(from, first, second, third, last, sixth)
        [from[0] + (sixth * weighted(first[0], second[0], third[0], last[0])),
         from[1] + (sixth * weighted(first[1], second[1], third[1], last[1])),
         from[2] + (sixth * weighted(first[2], second[2], third[2], last[2]))]
      end
    end
  end
end
