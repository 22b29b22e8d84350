# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Faults of a level speed change: the heading kept while power and torque change.
      class LevelSpeedChangeFaults
        include Grading::FaultFinding

        private

        def drifted_off_track =
          when_bad('drifted_off_track', 'level_heading_max_deg') do |v|
            Text.of('the heading strayed %{value}°', value: v.round)
          end
      end
    end
  end
end
