# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # Faults of a run-on landing: those of its approach, the cap of the exercise, and the contact.
      class RunOnFaults < Faults
        include Grading::ContactFaults

        private

        # The cap is of today's hover power out of ground effect.
        def cap_pct(power)
          cap = @context.settings['power_limit_pct'] || RunOnPlan::DEFAULT_CAP_PCT
          [cap / 100.0 * power.pct_of(@context.conditions.trim.hover_power_w), 100.0].min
        rescue OutsideModel
          100.0
        end
      end
    end
  end
end
