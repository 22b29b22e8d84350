# frozen_string_literal: true

module Fujin
  module Planning
    # One number against another.
    # @!attribute moments [Array<Array(Float, Float, Float)>] where on the track its seconds stand: x, y, s; empty where
    #   the time says nothing
    Chart =
      Value.define(:id, :title, :x, :y, :areas, :lines, :track, :moments, defaults: { moments: [].freeze }) do
        self::STEPS_S = [1, 2, 5, 10, 20, 60].freeze
        # A few of them, a round number of seconds apart.
        # @param track [Array<Array(Float, Float, Float)>] x, y, s
        def self.moments_along(track, most: 6)
          from = track.first&.last or return []
          apart = self::STEPS_S.find { |step| (track.last.last - from) / step <= most } || self::STEPS_S.last
          (1..most).filter_map do |k|
            at = track.find { |_, _, t_s| t_s - from >= k * apart }
            at && [at[0], at[1], at[2] - from]
          end
        end
      end
  end
end
