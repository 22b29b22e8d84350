# frozen_string_literal: true

module Fujin
  # Weighted least squares of y = a p + b q, by its normal equations: sums of products, so that a sample more costs a
  # few multiplications (C. F. Gauss, "Theoria combinationis observationum", 1823).
  class TwoTermFit
    def initialize
      @pp = @pq = @qq = @py = @qy = @yy = 0.0
    end

    # @param weight [Float] one over the square of the standard deviation of y
    def take(first, second, value, weight)
      first_weighted = first * weight
      @pp += first_weighted * first
      @pq += first_weighted * second
      @py += first_weighted * value
      second_weighted = second * weight
      @qq += second_weighted * second
      @qy += second_weighted * value
      @yy += weight * value * value
    end

    # @return [Array(Float, Float), nil] a and b; nil where the samples do not tell them apart
    def coefficients
      determinant = (@pp * @qq) - (@pq * @pq)
      return nil unless determinant.abs > 1e-12 * @pp * @qq

      [((@py * @qq) - (@qy * @pq)) / determinant, ((@qy * @pp) - (@py * @pq)) / determinant]
    end

    # @return [Float] sum of the squared, weighted differences
    def misfit(a, b)
      @yy - (2.0 * ((a * @py) + (b * @qy))) + (a * a * @pp) + (2.0 * a * b * @pq) + (b * b * @qq)
    end
  end
end
