# frozen_string_literal: true

module Fujin
  module Manoeuvres
    register Declaration.new(
      id: 'rectangle',
      title: 'Rectangle',
      family: 'circuit',
      summary: 'Four sides over the ground in a wind: drift on each, more or less than ninety degrees at each corner.',
      kinds: %w[helicopter gyroplane],
      phases: %w[downwind crosswind upwind turn],
      measures: {},
      faults: faults(*%w[drifted_off_track out_of_trim exceeded_limit]),
      settings: %w[turn_side radius_ft leg_ft width_ft],
      planner: Planning::RectanglePlan.planner,
      key_numbers: %w[bank_deg turn_radius_ft most_turn_deg drift_angle_deg groundspeed_kt],
      gated: false,
      hovers: 'none',
      any_course: true
    )
  end
end
