# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Plans an autorotation to a spot that is too close: a turn away, back across the line, and onto it again.
      class STurnPlan < TurningPlan
        def self.declaration = STurnAutorotation

        FOR_A_CLOSE_SPOT = {}.freeze
        DEFAULT_TURN_DEG = 45.0

        private

        def turn_deg = (@settings['turn_deg'] || DEFAULT_TURN_DEG).to_f
        def turns_deg = [side * turn_deg, -2.0 * side * turn_deg, side * turn_deg]

        # How much nearer the spot may be than for a straight glide from the same height.
        def place_numbers
          straight =
            StraightInPlan.new(
              @conditions,
              @house,
              course_deg: @course_deg,
              height_ft: @height_ft,
              stage: @stage
            ).entry_distance_m / Q::FT
          numbers = super
          numbers.merge(
            'straight_distance_ft' => number(straight, 'ft'),
            'shortened_ft' => number(straight - numbers['entry_distance_ft'].value, 'ft')
          )
        end
      end
    end
  end
end
