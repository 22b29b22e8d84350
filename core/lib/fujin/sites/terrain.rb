# frozen_string_literal: true

module Fujin
  module Sites
    # Heights of the ground above the sea on a grid of latitude and longitude (WGS 84), as a school may have them.
    #
    # west_deg, south_deg  the grid's corner: the outer edge of its first cell
    # cell_deg             side of a cell
    # rows                 Array of rows from north to south: heights from west to east in metres, nil where unknown
    Terrain =
      Value.define(:west_deg, :south_deg, :cell_deg, :rows) do
        # Heights at the middles of the four cells around a place, and where among them it lies: north-west, north-east,
        # south-west, south-east, and the shares of a cell east and south of the first.
        # @return [Array(Array<Float>, Float, Float), nil] nil off the grid and where any of them is unknown
        def around(lat_deg, lon_deg)
          east = (Quantities.wrap_deg(lon_deg - west_deg) / cell_deg) - 0.5
          south = ((north_deg - lat_deg) / cell_deg) - 0.5
          row = south.floor
          column = east.floor
          return nil unless row.between?(0, rows.size - 2) && column.between?(0, rows[0].size - 2)

          four = rows[row][column, 2] + rows[row + 1][column, 2]
          four.all? ? [four, east - column, south - row] : nil
        end

        # Between the middles of cells in proportion (bilinear).
        # @return [Float, nil] metres above the sea
        def height_m(lat_deg, lon_deg)
          four, east, south = around(lat_deg, lon_deg)
          return nil unless four

          north_edge = four[0] + ((four[1] - four[0]) * east)
          south_edge = four[2] + ((four[3] - four[2]) * east)
          north_edge + ((south_edge - north_edge) * south)
        end

        def north_deg = south_deg + (rows.size * cell_deg)
        def east_deg = west_deg + (rows[0].size * cell_deg)

        # What of it lies within so many degrees of latitude of a place; of longitude as far on the ground.
        # @return [Terrain, nil] nil where nothing does
        def near(lat_deg, lon_deg, within_deg)
          wide = within_deg / Math.cos(lat_deg * Quantities::DEG)
          east = Quantities.wrap_deg(lon_deg - west_deg)
          kept = span((north_deg - lat_deg) / cell_deg, within_deg / cell_deg, rows.size)
          columns = span(east / cell_deg, wide / cell_deg, rows[0].size)
          return nil if kept.size < 2 || columns.size < 2

          with(rows: rows[kept].map { |row| row[columns] }, west_deg: west_deg + (columns.first * cell_deg),
               south_deg: north_deg - (kept.last.succ * cell_deg))
        end

        # By its corners: a grid is a key of what is kept, and thousands of heights are slow to hash.
        def hash = [west_deg, south_deg, cell_deg, rows.size, rows[0].size, rows[0][0], rows[-1][-1]].hash

        private

        def span(middle, half, most)
          first = [(middle - half).floor, 0].max
          last = [(middle + half).ceil, most - 1].min
          first..[last, first - 1].max
        end
      end
  end
end
