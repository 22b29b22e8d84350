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
          house: [*DeclaredAlike::HOUSE, 'turn_entry', 'turn_out', 'outside_test'],
          planner: STurnPlan,
          spot_planner: STurnPlan,
          key_numbers: %w[
            glide_speed_kt target_rotor_rpm_pct turn_height_ft entry_distance_ft bank_deg roll_out_height_ft
          ],
          outside_test: true,
          pilot: WholeFlight.of(STurnPlan),
          **DeclaredAlike::TURNING
        )
    end
  end
end
