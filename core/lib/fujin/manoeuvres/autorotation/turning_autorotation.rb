# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      TurningAutorotation =
        Catalogue.declare(
          __dir__,
          id: 'turning_autorotation',
          title: 'Turning autorotation',
          family: 'emergencies',
          summary:
            'An autorotation with a turn of 90, 180 or 360 degrees onto the final course: begun once established, ' \
            'without delay, wings level by the house height.',
          house: [*DeclaredAlike::HOUSE, 'turn_entry', 'turn_out'],
          planner: TurningPlan,
          spot_planner: TurningPlan,
          key_numbers: %w[glide_speed_kt target_rotor_rpm_pct turn_height_ft abeam_ft bank_deg roll_out_height_ft],
          pilot: WholeFlight.of(TurningPlan),
          **DeclaredAlike::TURNING
        )
    end
  end
end
