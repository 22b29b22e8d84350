# frozen_string_literal: true

module Fujin
  # Numerical search on plain functions of one number.
  module Roots
    # Halving alone would need fewer for any bounds and tolerance here.
    STEPS = 200

    module_function

    # Where the block changes sign between two bounds (Illinois variant of regula falsi:
    # M. Dowell, P. Jarratt, "A modified regula falsi method", BIT 11, 1971). A step that ends next to a bound is no
    # answer yet: where the function is far steeper at one end every step does. It is one when the sign changes there.
    # @raise [OutsideModel] when it has one sign at both ends
    def find(low, high, tolerance: 1e-6, what: 'an answer', &function)
      f_low = yield(low)
      f_high = yield(high)
      return low if f_low.zero?
      return high if f_high.zero?
      if f_low.positive? == f_high.positive?
        raise OutsideModel, Text.of("there is no %{what} between the model's limits", what: what)
      end

      side = 0
      STEPS.times do
        middle = ((low * f_high) - (high * f_low)) / (f_high - f_low)
        f_middle = yield(middle)
        return middle if (high - low).abs < tolerance || f_middle.zero?

        if f_middle.positive? == f_high.positive?
          return middle if (high - middle).abs < tolerance && changes?(middle, -tolerance, low, f_middle, &function)

          high = middle
          f_high = f_middle
          f_low /= 2 if side == 1
          side = 1
        else
          return middle if (middle - low).abs < tolerance && changes?(middle, tolerance, high, f_middle, &function)

          low = middle
          f_low = f_middle
          f_high /= 2 if side == -1
          side = -1
        end
      end
      unless (high - low).abs <= tolerance
        raise OutsideModel, Text.of('%{what} is not found to within %{tolerance}', what: what, tolerance: tolerance)
      end

      (low + high) / 2.0
    end

    # Whether the sign changes within a step from `at`, no farther than the bound there.
    def changes?(at, step, bound, f_at)
      beyond = at + step
      beyond = bound if (beyond - at).abs > (bound - at).abs
      yield(beyond).positive? != f_at.positive?
    end
    private_class_method :changes?

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
