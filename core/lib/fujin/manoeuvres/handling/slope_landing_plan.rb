# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Down onto a slope: what the type stands on, the angle that is left before it would roll about a skid, the steps.
      class SlopeLandingPlan < HoverPlan
        def self.declaration = SlopeLanding

        private

        def slope_deg = @settings['slope_deg'].to_f
        def limit_deg = @type.slope_limit_deg

        def own_numbers
          super.merge('slope_deg' => number(slope_deg, 'deg'), 'slope_limit_deg' => number(limit_deg, 'deg'),
                      'rollover_margin_deg' => rollover_margin)
        end

        def rollover_margin
          left = @type.rollover_margin_deg(slope_deg)
          if left
            number(left,
                   'deg')
          else
            no_number('deg', 'the type file has no skid track and height of the centre of gravity')
          end
        end

        def path
          [[0, @height_ft], [6, @height_ft], [10, 1.5], [14, 0.3], [24, 0.0], [30, 0.0]].map do |t, h|
            point(t.to_f, 0.0, h, wind.speed_kt, 0.0, 0.0, t >= 14 ? :lowering : :hover)
          end
        end

        def tables
          steps = [
            ['Hover across the slope', 'the tail never uphill, people and loose things downhill and away'],
            ['Uphill skid touches', 'disc level, cyclic into the slope as it takes weight; wait'],
            ['Other skid down', 'collective slowly, the disc stays level, cyclic follows'],
            ['Cyclic meets its stop', 'up again, straight: another place'],
            ['Both down', 'collective all the way, cyclic to the middle only then'],
            ['Off again', 'cyclic into the slope, downhill skid first to level, then straight up']
          ]
          [Planning::Table.new(id: 'steps', title: 'Steps', columns: [['Step', nil], ['Look for', nil]], rows: steps,
                               note: 'People leave downhill, never under the uphill disc.'),
           *super]
        end

        def own_cautions
          [*over_limit, *ground_resonance, *super]
        end

        def over_limit
          return [] if slope_deg <= limit_deg

          [caution('slope_limit', 'limit', Text.of('%{slope_deg}° is over the %{limit_deg}° that the type stands on: ' \
            'another place.',
                                                   slope_deg: slope_deg.round(1), limit_deg: limit_deg.round(1)))]
        end
      end
    end
  end
end
