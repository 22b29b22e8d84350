# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # What the manoeuvres that lead to a surveyed site have alike: they differ in what they are taught for.
      module DeclaredAlike
        # @param id [String] of the manoeuvre
        # @return [Hash] fields of its declaration
        def self.fields(id) = {
          phases: %w[descent termination departure],
          measures: {
            'setup' => %w[setup_steady_s trim_deg],
            'descent' => %w[
              approach_angle_deg obstacle_clearance_ft break_off_height_ft decision_height_ft decision_sink_fpm
              sink_max_fpm sink_max_below_30_kt_fpm sink_over_allowed_fpm vortex_ring_index_max vortex_ring_margin_fpm
              groundspeed_at_50_ft_kt avoid_area_s
            ],
            'termination' => %w[
              tail_clearance_ft ground_margin_ft hover_height_ft termination_heading_off_deg power_peak_pct
              power_rise_pct_s lte_exposure_s contact_sink_fpm contact_groundspeed_kt contact_drift_kt miss_along_ft
              miss_across_ft miss_ft
            ],
            'departure' => %w[departure_clearance_ft]
          },
          faults: %w[
            rushed_setup low_over_obstacle too_steep too_shallow sank_at_low_speed late_decision tail_toward_obstacle
            power_cap_broken low_on_the_way_out exceeded_limit
          ],
          settings: %w[approach_angle_deg break_off_ft],
          house: %w[site_clearance steep_ending hold_30_kt sink_limit vortex_escape],
          planner: SitePlanner.new(id),
          angle_setting: 'steep_angle_deg',
          at_site: true,
          key_numbers: %w[
            approach_angle_deg break_off_height_ft rotor_room_ft entry_sink_fpm sink_margin_fpm
            power_margin_pct
          ],
          hovers: 'oge',
          least_power_margin_pct: 5,
          standard: Grading::Standard.load("#{__dir__}/standards/confined_area.yml"),
          finder: Finder,
          measurer: Measures,
          fault_finder: Faults,
          pilot: Approach::WholeFlight.of(SitePlanner.new(id)),
          knobs: Approach::Knobs::APPROACH,
          told: Approach::Knobs::APPROACH_TOLD
        }
      end
    end
  end
end
