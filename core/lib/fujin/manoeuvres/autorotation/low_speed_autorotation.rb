# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      LowSpeedAutorotation =
        Catalogue.declare(
          __dir__,
          id: 'low_speed_autorotation',
          title: 'Low and zero airspeed autorotation',
          family: 'emergencies',
          summary:
            'A near-vertical descent without power, then the nose eased down for glide speed: how much height ' \
            'that costs, and where it must begin.',
          phases: %w[entry glide flare recovery cushion touchdown],
          measures:
            DeclaredAlike::STRAIGHT.merge(
              'entry' => [
                *DeclaredAlike::STRAIGHT['entry'],
                'low_ias_min_kt',
                'height_to_glide_ft',
                'time_to_glide_s'
              ].freeze
            ),
          faults: %w[rushed_setup nose_dropped low_rotor_rpm high_rotor_rpm slow_glide exceeded_limit],
          settings: %w[low_speed_kt],
          house: %w[glide_speed outside_test],
          missed_gate:
            'Nose down at its height, whatever else. Power only once the speed is back: throttle first, then ' \
            'collective.',
          checks: [
            *Catalogue::CHECKS, 'Height enough to be level by the house height', 'Harness, loose articles',
            'Who moves the throttle is agreed'
          ],
          planner: LowSpeedPlan,
          key_numbers: %w[recovery_height_ft lowest_start_height_ft descent_sink_fpm recovery_time_s glide_speed_kt],
          power_off: true,
          hovers: 'none',
          outside_test: true,
          heat_prompt: 'heat on before the throttle closes, as the flight manual says',
          standard: Grading::Standard.load("#{__dir__}/standards/low_speed.yml"),
          finder: Finder,
          measurer: LowSpeedMeasures,
          fault_finder: Faults,
          pilot: LowSpeedFlight.method(:new),
          knobs: Knobs::LOW_SPEED,
          told: Knobs::LOW_SPEED_TOLD,
          flown_settings: FlownTurn.method(:settings),
          left_out: DeclaredAlike::LEFT_OUT
        )
    end
  end
end
