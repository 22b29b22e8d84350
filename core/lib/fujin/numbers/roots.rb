# frozen_string_literal: true

module Fujin
  # Numerical search on plain functions of one number.
  module Roots
    module_function

    # Where the block changes sign between two bounds (Illinois variant of regula falsi:
    # M. Dowell, P. Jarratt, "A modified regula falsi method", BIT 11, 1971).
    # @raise [OutsideModel] when it has one sign at both ends
    def find(low, high, tolerance: 1e-6, what: 'an answer')
      f_low = yield(low)
      f_high = yield(high)
      return low if f_low.zero?
      return high if f_high.zero?
      raise OutsideModel, "there is no #{what} between the model's limits" if f_low.positive? == f_high.positive?

      side = 0
      100.times do
        middle = ((low * f_high) - (high * f_low)) / (f_high - f_low)
        f_middle = yield(middle)
        return middle if (high - low).abs < tolerance || f_middle.abs < 1e-9

        if f_middle.positive? == f_high.positive?
          return middle if (high - middle).abs < tolerance

          high = middle
          f_high = f_middle
          f_low /= 2 if side == 1
          side = 1
        else
          return middle if (middle - low).abs < tolerance

          low = middle
          f_low = f_middle
          f_high /= 2 if side == -1
          side = -1
        end
      end
      (low + high) / 2.0
    end

    # The same, looked for first within `width` of where it was last time.
    # @param last [Float, nil]
    def find_near(last, width, low, high, ...)
      return find(low, high, ...) unless last

      begin
        find([last - width, low].max, [last + width, high].min, ...)
      rescue OutsideModel
        find(low, high, ...)
      end
    end

    # Smallest value of a one-valley function by golden-section search.
    # @return [Array(Float, Float)] where, and the value there
    def minimum(low, high, tolerance: 1e-3)
      ratio = (Math.sqrt(5) - 1) / 2
      a = high - (ratio * (high - low))
      b = low + (ratio * (high - low))
      f_a = yield(a)
      f_b = yield(b)
      while (high - low) > tolerance
        if f_a < f_b
          high = b
          b = a
          f_b = f_a
          a = high - (ratio * (high - low))
          f_a = yield(a)
        else
          low = a
          a = b
          f_a = f_b
          b = low + (ratio * (high - low))
          f_b = yield(b)
        end
      end
      at = (low + high) / 2.0
      [at, yield(at)]
    end
  end
end
