# frozen_string_literal: true

module Fujin
  module Manoeuvres
    register Declaration.new(
      id: 'low_speed_autorotation',
      title: 'Low and zero airspeed autorotation',
      family: 'emergencies',
      summary: 'A near-vertical descent without power, then the nose eased down for glide speed: how much height ' \
               'that costs, and where it must begin.',
      phases: %w[entry glide flare recovery cushion touchdown],
      measures: AUTOROTATION_MEASURES.merge('entry' => [*AUTOROTATION_MEASURES['entry'], 'low_ias_min_kt', 'height_to_glide_ft', 'time_to_glide_s'].freeze),
      faults: faults(*%w[rushed_setup nose_dropped low_rotor_rpm high_rotor_rpm slow_glide exceeded_limit]),
      settings: %w[low_speed_kt],
      house: %w[glide_speed outside_test],
      planner: Planning::LowSpeedPlan.planner,
      key_numbers: %w[recovery_height_ft lowest_start_height_ft descent_sink_fpm recovery_time_s glide_speed_kt],
      power_off: true,
      hovers: 'none',
      outside_test: true,
      heat_prompt: 'heat on before the throttle closes',
      finder: Grading::AutorotationFinder,
      measurer: Grading::LowSpeedMeasures,
      fault_finder: Grading::AutorotationFaults,
      pilot: Flight::LowSpeedFlight.method(:new),
      knobs: Grading::Knobs::LOW_SPEED,
      told: Grading::Knobs::LOW_SPEED_TOLD
    )
  end
end
