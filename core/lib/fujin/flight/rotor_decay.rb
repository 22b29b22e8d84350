# frozen_string_literal: true

module Fujin
  module Flight
    # How fast the rotor runs down after a throttle closure from level flight with the controls left as they are:
    # the reaction time a pilot has. Pedals are left too, so the nose swings. Source: docs/reference/flight-model.md.
    class RotorDecay
      LONGEST_S = 8.0

      # @param conditions [Planning::Conditions], @param speed_kt [Float] 0 is a hover out of ground effect
      def initialize(conditions, speed_kt:)
        @model = Model.on(conditions)
        @model.start(height_m: 1000.0, speed_kt: speed_kt.to_f, course_rad: 0.0)
      end

      # @return [Array<Float, nil>] seconds until each rotor rpm (percent) is reached; nil when it is not
      def seconds_to(*levels)
        frozen = Controls.new(@model.disc_pitch, 0.0, @model.collective, @model.torque_share, 0.0, false)
        found = levels.map { nil }
        while @model.time_s < LONGEST_S && found.any?(&:nil?)
          before = @model.rotor_pct
          @model.step(frozen)
          levels.each_index do |i|
            found[i] ||= crossing(before, @model.rotor_pct, levels[i]) if @model.rotor_pct <= levels[i]
          end
        end
        @model.check_energy
        found
      end

      private

      def crossing(before, after, level)
        return 0.0 if before <= level

        @model.time_s - (Model::STEP_S * (level - after) / (before - after))
      end
    end
  end
end
