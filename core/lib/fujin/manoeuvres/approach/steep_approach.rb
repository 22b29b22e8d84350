# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      SteepApproach =
        Catalogue.declare(
          __dir__,
          id: 'steep_approach',
          title: 'Steep approach',
          family: 'limited',
          summary:
            'Twelve to fifteen degrees: low airspeed with sink, so the sink allowed shrinks with the speed and ' \
            'the decision comes before it is lost.',
          phases: %w[descent termination],
          measures: {
            'setup' => %w[setup_steady_s trim_deg],
            'descent' => %w[
              approach_angle_deg approach_angle_off_deg decision_height_ft decision_sink_fpm
              break_off_height_ft sink_max_fpm
              sink_max_below_30_kt_fpm sink_over_allowed_fpm vortex_ring_index_max vortex_ring_margin_fpm
              groundspeed_at_50_ft_kt avoid_area_s
            ],
            'termination' => %w[
              hover_height_ft termination_heading_off_deg power_peak_pct power_rise_pct_s lte_exposure_s
              contact_sink_fpm contact_groundspeed_kt contact_drift_kt miss_along_ft miss_across_ft miss_ft
            ]
          },
          faults: %w[
            rushed_setup too_steep too_shallow sank_at_low_speed late_decision power_cap_broken exceeded_limit
          ],
          settings: %w[approach_angle_deg],
          house: %w[steep_ending hold_30_kt sink_limit vortex_escape],
          planner: SteepApproachPlan,
          angle_setting: 'steep_angle_deg',
          key_numbers: %w[
            approach_angle_deg decision_height_ft entry_sink_fpm vortex_ring_sink_fpm sink_margin_fpm power_margin_pct
          ],
          hovers: 'oge',
          least_power_margin_pct: 5,
          part_of_circuit: 'landing',
          standard: Grading::Standard.load("#{__dir__}/standards/steep_approach.yml"),
          finder: Finder,
          measurer: Measures,
          fault_finder: Faults,
          pilot: WholeFlight.of(SteepApproachPlan),
          knobs: Knobs::APPROACH,
          told: Knobs::APPROACH_TOLD
        )
    end
  end
end
