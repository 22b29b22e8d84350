# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      STurnAutorotation =
        Catalogue.declare(
          __dir__,
          id: 's_turn_autorotation',
          title: 'S-turn autorotation',
          family: 'emergencies',
          summary:
            'To a spot that is too close: a turn away, back across the line, onto it again, out of the turns by ' \
            'the house height.',
          endings: %w[power_recovery recovery_run touchdown],
          phases: %w[entry turn glide flare recovery cushion touchdown],
          measures: DeclaredAlike::MEASURES,
          faults: %w[
            rushed_setup entered_too_far entered_too_close late_collective raised_collective collective_not_down
            yaw_uncorrected nose_dropped late_turn slow_glide fast_glide low_rotor_rpm high_rotor_rpm one_big_check
            early_flare late_flare weak_flare hard_flare late_power not_level weak_cushion drift_at_contact
            exceeded_limit
          ],
          checks: DeclaredAlike::CHECKS,
          settings: %w[glide_rotor_rpm_pct turn_deg turn_side bank_deg spot_option],
          house: [*DeclaredAlike::HOUSE, 'turn_out', 'outside_test'],
          planner: STurnPlan,
          spot_planner: STurnPlan,
          key_numbers: %w[
            glide_speed_kt target_rotor_rpm_pct turn_height_ft entry_distance_ft bank_deg roll_out_height_ft
          ],
          power_off: true,
          outside_test: true,
          heat_prompt: 'heat on before the throttle closes',
          finder: Finder,
          measurer: Measures,
          fault_finder: Faults,
          pilot: WholeFlight.of(STurnPlan),
          knobs: Knobs::TURNING,
          told: Knobs::GLIDING_TOLD,
          flown_settings: FlownTurn.method(:settings),
          left_out: DeclaredAlike::LEFT_OUT
        )
    end
  end
end
