# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # A normal approach (house angle about 10°) to a hover.
      class NormalApproachPlan < Plan
        def self.declaration = NormalApproach

        private

        def angle_deg = (@settings['approach_angle_deg'] || @house['normal_angle_deg']).to_f
      end
    end
  end
end
