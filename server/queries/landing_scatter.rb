# frozen_string_literal: true

module Fujin
  # Where attempts ended about the spot, and the ellipses that hold a share of such landings.
  module LandingScatter
    MISS = %w[miss_along_ft miss_across_ft].freeze
    # Of an attempt's row, what #of asks for of each.
    COLUMNS = MISS.map { |id| Arel.sql("(proposal #>> '{measures,#{id},value}')::float") }.freeze

    module_function

    # @param measures [Hash, nil] of an attempt, as the API has them
    def miss(measures) = MISS.map { |id| measures&.dig(id, 'value') }

    # @param landed [Array<Array(Integer, Float, Float)>] number of each attempt, and how far along and across it missed
    # @return [Hash] the API's Landings
    def of(landed)
      points = landed.filter_map do |position, along, across|
        { 'position' => position, 'along_ft' => along, 'across_ft' => across } if along && across
      end
      rings = Scatter.rings(points.map { |point| point.values_at('along_ft', 'across_ft') })
      { 'points' => points,
        'rings' => rings.map do |ring|
          { 'share_pct' => ring.share_pct, 'points' => ring.points.map { |pair| pair.map { |v| v.round(1) } } }
        end }
    end
  end
end
