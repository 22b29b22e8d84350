# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      StraightInAutorotation =
        Catalogue.declare(
          __dir__,
          id: 'straight_in_autorotation',
          title: 'Straight-in autorotation',
          family: 'emergencies',
          summary:
            'From a planned entry straight ahead to the spot: collective down with pedal, glide on speed and rotor ' \
            'rpm, ' \
            'through the gate or around, flare, then a power recovery to a hover or a cushioned touchdown.',
          endings: %w[power_recovery recovery_run touchdown],
          phases: %w[entry glide flare recovery cushion touchdown],
          measures: DeclaredAlike::STRAIGHT,
          faults: %w[
            rushed_setup entered_too_far entered_too_close late_collective raised_collective collective_not_down
            yaw_uncorrected nose_dropped slow_glide fast_glide low_rotor_rpm high_rotor_rpm early_flare late_flare
            weak_flare hard_flare late_power not_level weak_cushion drift_at_contact exceeded_limit
          ],
          checks: DeclaredAlike::CHECKS,
          settings: %w[glide_rotor_rpm_pct spot_option],
          house: DeclaredAlike::HOUSE,
          planner: StraightInPlan,
          spot_planner: StraightInPlan,
          key_numbers: %w[
            glide_speed_kt target_rotor_rpm_pct glide_sink_fpm entry_distance_ft gate_height_ft flare_height_ft
          ],
          power_off: true,
          heat_prompt: 'heat on before the throttle closes, as the flight manual says',
          standard: Grading::Standard.load("#{__dir__}/standards/straight_in.yml"),
          finder: Finder,
          measurer: Measures,
          fault_finder: Faults,
          pilot: WholeFlight.of(StraightInPlan),
          knobs: Knobs::GLIDING,
          told: Knobs::GLIDING_TOLD,
          flown_settings: FlownTurn.method(:settings),
          left_out: DeclaredAlike::LEFT_OUT
        )
    end
  end
end
