# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Scenario
      LostVisibility =
        Catalogue.declare(
          __dir__,
          id: 'lost_visibility',
          title: 'Losing visibility, talked through',
          family: 'scenario',
          summary:
            'Talked through on the ground or in clear air, never flown: what is seen first, the point at which it is ' \
            'decided, the turn back or the landing while there is still something to see.',
          kinds: %w[helicopter gyroplane],
          phases: %w[recognise decide turn_back],
          measures: { 'recognise' => [], 'decide' => [], 'turn_back' => [] },
          faults: [],
          settings: %w[least_visibility_m bank_deg],
          planner: LostVisibilityPlan,
          key_numbers: %w[
            decision_visibility_m decision_speed_kt decision_height_ft turn_back_ahead_ft turn_back_time_s
            bank_deg
          ],
          hovers: 'none',
          course_of: 'any',
          standard: Grading::Standard.load("#{__dir__}/standards/lost_visibility.yml")
        )
    end
  end
end
