# frozen_string_literal: true

module Fujin
  # Unit factors used at the edges; inside the core everything is SI.
  # Multiply to go to SI, divide to come back: `sink_fpm * FPM`, `height_m / FT`.
  module Quantities
    FT = 0.3048
    KT = 1852.0 / 3600.0
    FPM = FT / 60.0
    DEG = Math::PI / 180.0
    G = 9.80665
    INHG = 3386.389
    # Revolutions a minute of a radian a second.
    RPM = 2.0 * Math::PI / 60.0

    module_function

    # Angle difference wrapped to (-180, 180] degrees.
    def wrap_deg(angle)
      wrapped = angle % 360.0
      wrapped > 180.0 ? wrapped - 360.0 : wrapped
    end

    # Median of a non-empty list.
    def median(values)
      sorted = values.sort
      mid = sorted.size / 2
      sorted.size.odd? ? sorted[mid] : (sorted[mid - 1] + sorted[mid]) / 2.0
    end

    # A whole number as it is read: '1,240'.
    def thousands(number) = Text.figure(number.to_i.to_s.gsub(/(?<=\d)(?=(\d{3})+\z)/, ','))

    # Straight-line interpolation in a rising table of [x, y]; held flat beyond its ends.
    def interpolate(table, at)
      return table.first[1] if at <= table.first[0]
      return table.last[1] if at >= table.last[0]

      upper = table.bsearch_index { |x, _| x >= at }
      x0, y0 = table[upper - 1]
      x1, y1 = table[upper]
      y0 + ((y1 - y0) * (at - x0) / (x1 - x0))
    end
  end
end
