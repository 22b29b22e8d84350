# frozen_string_literal: true

module Fujin
  module Manoeuvres
    register Declaration.new(
      id: 'turns_across_a_line',
      title: 'Turns across a line',
      family: 'circuit',
      summary: 'Half circles of one radius on alternate sides, the line crossed square and level.',
      kinds: %w[helicopter gyroplane],
      phases: %w[turn line],
      measures: {},
      faults: faults(*%w[spirals_in drifted_off_track out_of_trim exceeded_limit]),
      settings: %w[radius_ft],
      planner: Planning::TurnsAcrossALinePlan.planner,
      key_numbers: %w[bank_deg turn_radius_ft least_bank_deg drift_angle_deg groundspeed_kt],
      gated: false,
      hovers: 'none',
      any_course: true
    )
  end
end
