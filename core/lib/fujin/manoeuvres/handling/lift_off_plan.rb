# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Straight up and straight down.
      class LiftOffPlan < HoverPlan
        def self.declaration = LiftOffAndSetDown

        private

        def path
          [
            [0, 0.0],
            [3, 0.3],
            [6, 1.5],
            [9, @height_ft],
            [14, @height_ft],
            [18, 1.5],
            [22, 0.3],
            [25, 0.0]
          ].map { |t, h| point(t.to_f, 0.0, h, wind.speed_kt, 0.0, 0.0, h.zero? ? :ground : :hover) }
        end

        def own_cautions = [*ground_resonance, *super]

        def tables
          steps = [
            ['Light on the skids', 'pause: nothing hooked or frozen, attitude steady'],
            ['Straight up', 'no sideways movement before the skids are clear'],
            ['Hover', 'controls, power, temperatures'],
            ['Down', 'vertical, no movement over the ground'],
            ['Contact', 'seating check before the collective goes all the way down']
          ]
          [
            Planning::Table.new(
              id: 'steps',
              title: 'Steps',
              columns: [['Step', nil], ['Look for', nil]],
              rows: steps,
              note: 'Power up through the first inches is where a hooked skid shows.'
            ),
            *super
          ]
        end
      end
    end
  end
end
