# frozen_string_literal: true

module Fujin
  module Planning
    # Where the set-up starts and what must be steady for how long before the manoeuvre begins.
    # `leg_ft` is the ground that the steady stretch covers, `start_along_ft` its beginning from the spot.
    SetUp = Value.define(:height_ft, :speed_kt, :steady_s, :leg_ft, :start_along_ft, :start_across_ft, :text) do
      # Standing or hovering where it begins.
      def self.standing(height_ft:, steady_s:, text:)
        new(height_ft: height_ft, speed_kt: 0.0, steady_s: steady_s, leg_ft: 0.0, start_along_ft: 0.0,
            start_across_ft: 0.0, text: text)
      end
    end
  end
end
