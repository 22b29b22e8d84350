# frozen_string_literal: true

module Fujin
  module Planning
    # What is said beside a place of a planned path.
    # @!attribute picture [String] 'side', 'above', or 'gate' where it is a gate's, seen from the side
    # @!attribute lines [Array<String>] one below the other
    # @!attribute weight [Integer] the larger, the longer it stays where there is little room
    PathMark = Value.define(:picture, :along_ft, :across_ft, :height_ft, :lines, :weight)
  end
end
