# frozen_string_literal: true

module Fujin
  # Points in a plane taken as a sample of a normal distribution: the ellipses that hold a share of such points.
  module Scatter
    Ring = Value.define(:share_pct, :points)

    SHARES_PCT = [50, 90].freeze
    # With fewer, the ellipse says more of chance than of the pilot.
    FEWEST = 5
    ROUND = (0..48).map { |i| i / 48.0 * 2.0 * Math::PI }.freeze

    module_function

    # @param points [Array<Array(Float, Float)>] along and across, any one unit
    # @return [Array<Ring>] the inner first, each closed; none of fewer than FEWEST points
    #
    # The squared radius of a plane's normal distribution is exponential, so a share p lies within √(−2 ln(1 − p))
    # standard deviations; the circle is stretched by the lower root L of the covariance, LLᵀ.
    def rings(points)
      return [] if points.size < FEWEST

      middle = points.transpose.map { |values| values.sum / values.size }
      root = root_of(*covariance(points, middle))
      SHARES_PCT.map { |share| Ring.new(share_pct: share, points: ellipse(middle, root, sigmas(share))) }
    end

    def sigmas(share_pct) = Math.sqrt(-2.0 * Math.log(1.0 - (share_pct / 100.0)))

    def covariance(points, middle)
      offs = points.map { |along, across| [along - middle[0], across - middle[1]] }
      [[0, 0], [0, 1], [1, 1]].map { |i, j| offs.sum { |off| off[i] * off[j] } / (points.size - 1) }
    end

    def root_of(along, both, across)
      first = Math.sqrt(along)
      below = first.positive? ? both / first : 0.0
      [first, below, Math.sqrt([across - (below * below), 0.0].max)]
    end

    def ellipse(middle, root, sigmas)
      ROUND.map do |angle|
        u = Math.cos(angle) * sigmas
        v = Math.sin(angle) * sigmas
        [middle[0] + (root[0] * u), middle[1] + (root[1] * u) + (root[2] * v)]
      end
    end
    private_class_method :covariance, :root_of, :ellipse
  end
end
