# frozen_string_literal: true

module Fujin
  module Manoeuvres
    fault = ->(id, title, cause, cue) { Fault.new(id: id, title: title, cause: cause, cue: cue) }

    register Declaration.new(
      id: 'straight_in_autorotation',
      title: 'Straight-in autorotation',
      family: 'emergencies',
      summary: 'From a planned entry straight ahead to the spot: collective down with pedal, glide on speed and rotor rpm, ' \
               'through the gate or around, flare, then a power recovery to a hover or a cushioned touchdown.',
      endings: %w[power_recovery touchdown],
      phases: %w[entry glide flare recovery cushion touchdown],
      measures: {
        'setup' => %w[setup_steady_s],
        'entry' => %w[entry_height_ft entry_ias_kt collective_delay_s min_rotor_rpm_pct entry_yaw_deg],
        'glide' => %w[glide_ias_mean_kt glide_ias_min_kt glide_ias_max_kt glide_rotor_rpm_mean_pct glide_rotor_rpm_max_pct
                      glide_sink_fpm ground_glide_ratio gate_ias_kt gate_rotor_rpm_pct gate_sink_fpm gate_groundspeed_kt],
        'flare' => %w[flare_height_ft flare_pitch_max_deg flare_rotor_rpm_max_pct balloon_ft recovery_groundspeed_kt],
        'recovery' => %w[recovery_min_height_ft recovery_yaw_deg hover_height_ft power_on_s miss_along_ft miss_across_ft miss_ft],
        'touchdown' => %w[contact_sink_fpm contact_groundspeed_kt contact_drift_kt contact_pitch_deg contact_yaw_deg
                          contact_rotor_rpm_pct slide_ft miss_along_ft miss_across_ft miss_ft]
      },
      faults: [
        fault.call('rushed_setup', 'Rushed set-up', 'The entry began before speed, height and track were steady.',
                   'Longer outbound. Say "steady" aloud before you start.'),
        fault.call('entered_too_far', 'Entered too far out', 'The entry began farther from the spot than this wind allows.',
                   'Let the spot come closer before you lower the collective.'),
        fault.call('entered_too_close', 'Entered too close', 'The entry began nearer the spot than this wind allows.',
                   'Start earlier: the picture at entry is farther out than you think.'),
        fault.call('late_collective', 'Late collective', 'The collective stayed up after the power went, and the rotor paid for it.',
                   'Power gone: collective down at once, %{power_loss_pedal} pedal with it.'),
        fault.call('raised_collective', 'Raised collective first', 'The first movement was up: drag on a rotor without power.',
                   'Left hand goes down, always down first.'),
        fault.call('collective_not_down', 'Collective not fully down', 'The collective stopped short of its stop while rotor rpm was low.',
                   'All the way to the stop; check rpm; then small corrections.'),
        fault.call('yaw_uncorrected', 'Yaw not corrected', 'The pedals did not follow the loss of torque.',
                   '%{power_loss_pedal} pedal moves with the left hand.'),
        fault.call('nose_dropped', 'Nose dropped', 'The nose went down with the collective and the speed ran away.',
                   'Lower the lever, hold the attitude: aft cyclic a little.'),
        fault.call('slow_glide', 'Glide too slow', 'Attitude too high in the glide: less energy for the flare.',
                   'Attitude first, then a short look at the speed.'),
        fault.call('fast_glide', 'Glide too fast', 'Attitude too low in the glide: more sink, a longer flare.',
                   'Raise the nose a little and wait for the speed.'),
        fault.call('low_rotor_rpm', 'Rotor rpm low', 'Collective held above what the rotor could carry.',
                   'Collective down until rpm is back; small checks after that.'),
        fault.call('high_rotor_rpm', 'Rotor rpm high', 'The collective check came late or not at all.',
                   'Check early and small; listen to the rotor.'),
        fault.call('early_flare', 'Flare too early', 'The flare began high: the speed is gone before the ground is there.',
                   'Wait for the height, then one flare.'),
        fault.call('late_flare', 'Flare too late', 'The flare began low: speed and sink are left over.',
                   'Eyes ahead; begin the flare at its height.'),
        fault.call('weak_flare', 'Flare too weak', 'Too little pitch: the speed stayed and the rotor did not rise.',
                   'More aft, until the sink stops; rotor rpm must rise.'),
        fault.call('hard_flare', 'Flare too hard', 'Too much pitch too quickly: rotor rpm ran up or the aircraft climbed.',
                   'Ease it: the flare grows with the sink that is left.'),
        fault.call('late_power', 'Power late', 'The engine was joined after the aircraft was level.',
                   'Throttle as rotor rpm starts to fall, %{power_on_pedal} pedal ahead of the yaw.'),
        fault.call('not_level', 'Not level at contact', 'The tail was low when the skids met the ground.',
                   'Level first, then cushion.'),
        fault.call('weak_cushion', 'Cushion too weak', 'The collective came too late or too little for the sink.',
                   'Wait, wait, then all of it: spend the rotor before the skids touch.'),
        fault.call('drift_at_contact', 'Drift at contact', 'Sideways movement at contact.',
                   'Wing down into the drift, nose along the ground track.'),
        fault.call('exceeded_limit', 'Limit exceeded', 'A limit of the aircraft was passed.',
                   'Stop. The aircraft is looked at before it flies again.')
      ],
      checks: ['Area and spot clear, lookout complete', 'Wind looked at again', 'Height, speed, track steady',
               'Carburettor heat as the flight manual says', 'Governor and warning lights checked', 'Who moves the throttle is agreed',
               'Count-in agreed: three, two, one'],
      planner: ->(conditions, house, **options) { Planning::StraightInPlan.new(conditions, house, **options).plan },
      finder: Grading::AutorotationFinder,
      measurer: Grading::AutorotationMeasures,
      fault_finder: Grading::AutorotationFaults
    )
  end
end
