# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      SlopeLanding =
        Catalogue.declare(
          __dir__,
          id: 'slope_landing',
          title: 'Slope landing',
          family: 'limited',
          summary:
            'Across the slope, the uphill skid first with the disc kept level, the other lowered slowly; up again ' \
            'when ' \
            'the cyclic meets its stop first.',
          phases: %w[hover lowering],
          measures: {
            'hover' => %w[ground_contact_kt set_down_sink_fpm],
            'lowering' => %w[ground_roll_deg skid_lowering_deg_s lowering_s]
          },
          faults: %w[drift_at_contact dropped_the_skid not_level exceeded_limit],
          settings: %w[slope_deg],
          course_of: 'hover',
          heat_prompt: Catalogue::HEAT_BEFORE_LIFT_OFF,
          planner: SlopeLandingPlan,
          key_numbers: %w[slope_deg slope_limit_deg rollover_margin_deg power_margin_ige_pct hover_height_ft],
          least_power_margin_pct: 3,
          standard: Grading::Standard.load("#{__dir__}/standards/slope_landing.yml"),
          finder: SlopeLandingFinder,
          measurer: SlopeLandingMeasures,
          fault_finder: SlopeLandingFaults
        )
    end
  end
end
