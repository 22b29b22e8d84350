# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module HoveringAutorotation
      HoveringAutorotation =
        Catalogue.declare(
          __dir__,
          id: 'hovering_autorotation',
          title: 'Hovering autorotation',
          family: 'emergencies',
          summary:
            'From a low hover with the throttle closed: collective not lowered, heading with pedal, let it ' \
            "settle, cushion with the rotor's energy.",
          phases: %w[entry settle touchdown],
          measures: {
            'entry' => %w[entry_yaw_deg throttle_reduction_s collective_raised_pct],
            'settle' => %w[settle_yaw_deg],
            'touchdown' => %w[
              contact_sink_fpm contact_groundspeed_kt contact_drift_kt contact_pitch_deg contact_yaw_deg
              contact_rotor_rpm_pct collective_after_contact_pct
            ]
          },
          faults: %w[yaw_uncorrected raised_collective weak_cushion drift_at_contact not_level exceeded_limit],
          checks: [
            'Smooth hard surface, level', 'Wind along the nose',
            'Who moves the throttle, and how it stays closed, is agreed',
            'Carburettor heat as the flight manual says', 'Doors and belts', 'Count-in agreed: three, two, one'
          ],
          house: %w[hovering_ladder],
          course_of: 'hover',
          missed_gate:
            'Throttle stays closed until the skids are down. If it goes wrong early, the instructor takes over as ' \
            'briefed.',
          planner: Plan,
          key_numbers: %w[
            time_to_contact_s contact_sink_fpm hover_height_ft pull_at_s rotor_energy_s fixed_collective_sink_fpm
          ],
          power_off: true,
          least_power_margin_pct: 3,
          heat_prompt: 'clear it with full heat before the hover, then heat as the flight manual says',
          standard: Grading::Standard.load("#{__dir__}/standards/hovering_autorotation.yml"),
          finder: Finder,
          measurer: Measures,
          fault_finder: Faults,
          pilot: WholeFlight.method(:new),
          knobs: Knobs::HOVERING,
          told: Knobs::HOVERING_TOLD
        )
    end
  end
end
