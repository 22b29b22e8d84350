# frozen_string_literal: true

module Fujin
  module Planning
    # A stretch of a planned path on which something is watched that the path itself does not show.
    # @!attribute id [String] 'avoid_area', 'flap' or 'tail_rotor'
    # @!attribute from_s, until_s [Float] of the path's clock
    # @!attribute words [String] what it is, and for how long
    WatchedStretch =
      Value.define(:id, :from_s, :until_s, :words) do
        # The runs of a path for which a block holds, each as the first point and the one at which it is over.
        # @param points [Array<#t_s>]
        def self.runs(points, &)
          runs = points.chunk_while { |a, b| yield(a) == yield(b) }.to_a
          runs.each_with_index.filter_map do |run, i|
            [run.first, (runs[i + 1] || run.last(1)).first] if yield(run.first)
          end
        end
      end
  end
end
