# frozen_string_literal: true

module Fujin
  module Planning
    # Where the wheels or skids can be put from the entry point, by one option: farthest points over the ground,
    # in feet along and across from the spot.
    Reach = Value.define(:option, :speed_kt, :points)
  end
end
