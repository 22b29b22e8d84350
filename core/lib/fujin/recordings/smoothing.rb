# frozen_string_literal: true

module Fujin
  module Recordings
    # Arithmetic on evenly spaced samples; NaN is 'not recorded' and stays so. An hour has half a million of them, and
    # what an attempt leaves open asks it all again: bare loops, which are three times as quick as blocks.
    module Smoothing
      module_function

      # Centred mean over +/- half samples, by running sums. NaN samples are skipped; a point that is
      # NaN itself stays NaN.
      def mean(values, half)
        return values if half < 1

        sums, counts = running_sums(values)
        last = values.size
        found = Array.new(last, Float::NAN)
        i = -1
        while (i += 1) < last
          next if values[i].nan?

          from = i < half ? 0 : i - half
          to = i + half < last ? i + half + 1 : last
          found[i] = (sums[to] - sums[from]) / (counts[to] - counts[from])
        end
        found
      end

      # Sum and number of the values before each place, NaN left out.
      def running_sums(values)
        sums = Array.new(values.size + 1, 0.0)
        counts = Array.new(values.size + 1, 0)
        sum = 0.0
        count = i = 0
        while i < values.size
          value = values[i]
          unless value.nan?
            sum += value
            count += 1
          end
          i += 1
          sums[i] = sum
          counts[i] = count
        end
        [sums, counts]
      end

      # Difference over +/- half samples, per second; at least one sample each way.
      def rate(values, step, half = 1)
        half = [half, 1].max
        last = values.size - 1
        found = Array.new(values.size)
        i = -1
        while (i += 1) <= last
          from = i < half ? 0 : i - half
          to = i + half < last ? i + half : last
          found[i] = (values[to] - values[from]) / ((to - from) * step)
        end
        found
      end

      # Removes the 360-degree jumps.
      def unwrap(values)
        turned = nil
        values.map do |v|
          next v if v.nan?

          turned = turned ? turned + Quantities.wrap_deg(v - turned) : v
        end
      end

      # Values at evenly spaced times by straight lines; NaN inside a hole longer than `longest` seconds.
      def resample(times, values, start, step, count, longest)
        index = 0
        last = times.size - 2
        found = Array.new(count, Float::NAN)
        i = -1
        while (i += 1) < count
          t = start + (i * step)
          index += 1 while index < last && times[index + 1] < t
          t0 = times[index]
          t1 = times[index + 1]
          next if t1 - t0 > longest && t > t0 && t < t1

          share = (t - t0) / (t1 - t0)
          share = 0.0 if share.negative?
          share = 1.0 if share > 1.0
          found[i] = values[index] + ((values[index + 1] - values[index]) * share)
        end
        found
      end

      # Least-squares polynomial through (x, y), degree 1 or 2.
      # @return [Array<Float>] coefficients from the constant up; nil with too few points
      def fit(xs, ys, degree)
        size = degree + 1
        return nil if xs.size < size

        matrix = (0...size).map { |r| (0...size).map { |c| xs.sum { |x| x**(r + c) } } }
        right = (0...size).map { |r| xs.each_index.sum { |i| ys[i] * (xs[i]**r) } }
        solve(matrix, right)
      end

      # Gaussian elimination for a small system.
      def solve(matrix, right)
        size = right.size
        size.times do |k|
          pivot = (k...size).max_by { |r| matrix[r][k].abs }
          return nil if matrix[pivot][k].abs < 1e-12

          matrix[k], matrix[pivot] = matrix[pivot], matrix[k]
          right[k], right[pivot] = right[pivot], right[k]
          ((k + 1)...size).each do |r|
            factor = matrix[r][k] / matrix[k][k]
            (k...size).each { |c| matrix[r][c] -= factor * matrix[k][c] }
            right[r] -= factor * right[k]
          end
        end
        (size - 1).downto(0).each_with_object(Array.new(size)) do |k, found|
          found[k] = (right[k] - ((k + 1)...size).sum { |c| matrix[k][c] * found[c] }) / matrix[k][k]
        end
      end
    end
  end
end
