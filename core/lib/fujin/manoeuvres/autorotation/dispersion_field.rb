# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # For every entry point on a grid, the share of runs that end within the standard's distance of the spot: worked
      # out once from the runs' places, so that a moved entry is answered by looking it up.
      class DispersionField
        # Grid of entry points about the planned one, feet.
        STEP_FT = 100
        ALONG_FT = (-3000..3000).step(STEP_FT).to_a.freeze
        ACROSS_FT = (-1000..1000).step(STEP_FT).to_a.freeze
        BIN_FT = 20

        # @param places [Array<Array(Float, Float)>] along and across of runs begun at the planned entry
        # @param within_ft [Array(Float, Float)] along and across that the standard allows
        def initialize(places, within_ft:)
          @places = places
          @within = within_ft
          @sums = summed(places)
        end

        # Share of runs inside the box when the entry is moved by along and across.
        def probability(along_ft, across_ft)
          return 0.0 if @places.empty?

          count(-along_ft - @within[0], -along_ft + @within[0], -across_ft - @within[1], -across_ft + @within[1]) /
            @places.size.to_f
        end

        # @return [Array<Array<Float>>] rows by ALONG_FT, columns by ACROSS_FT
        def grid = ALONG_FT.map { |along| ACROSS_FT.map { |across| probability(along, across).round(3) } }

        # Middle and the ellipse's half axes of the places: [along, across] of median and standard deviation.
        def summary
          along, across = @places.transpose
          {
            median: [Quantities.median(along), Quantities.median(across)],
            spread: [deviation(along), deviation(across)]
          }
        end

        private

        def deviation(values)
          mean = values.sum / values.size
          Math.sqrt(values.sum { |v| (v - mean)**2 } / values.size)
        end

        # Two-dimensional running sums of the places over bins.
        def summed(places)
          return nil if places.empty?

          @origin = [places.map(&:first).min, places.map(&:last).min].map { |v| (v / BIN_FT).floor }
          rows, columns =
            [places.map(&:first).max, places.map(&:last).max].zip(@origin)
              .map { |v, from| (v / BIN_FT).floor - from + 1 }
          bins = Array.new(rows) { Array.new(columns, 0) }
          places.each do |along, across|
            bins[(along / BIN_FT).floor - @origin[0]][(across / BIN_FT).floor - @origin[1]] += 1
          end
          running(bins, rows, columns)
        end

        def running(bins, rows, columns)
          sums = Array.new(rows + 1) { Array.new(columns + 1, 0) }
          rows.times do |i|
            columns.times { |j| sums[i + 1][j + 1] = bins[i][j] + sums[i][j + 1] + sums[i + 1][j] - sums[i][j] }
          end
          sums
        end

        # Places in a box, its edges rounded to bins.
        def count(from_along, to_along, from_across, to_across)
          i0, i1 = [from_along, to_along].map { |v| ((v / BIN_FT).round - @origin[0]).clamp(0, @sums.size - 1) }
          j0, j1 = [from_across, to_across].map { |v| ((v / BIN_FT).round - @origin[1]).clamp(0, @sums.first.size - 1) }
          @sums[i1][j1] - @sums[i0][j1] - @sums[i1][j0] + @sums[i0][j0]
        end
      end
    end
  end
end
