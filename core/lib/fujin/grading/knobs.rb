# frozen_string_literal: true

module Fujin
  module Grading
    # How a fault is flown, for OneChange: the simulated pilot's faults for more and for less of it, what shows it, how much of
    # the fault one unit of that asks for, the values that make sense, and the change in words from the amount taken away.
    # `measure` is a measure's id, or the name of a reading that OneChange takes by itself.
    Knob = Value.define(:id, :more, :less, :measure, :gain, :range, :words, defaults: { less: nil, gain: 1.0 }) do
      def flies?(fault_id) = [more, less].include?(fault_id)

      # The pilot's fault for a value, or nil for none.
      # @return [Array(String, Float), nil]
      def fault(value)
        return nil if value.abs <= 1e-3
        return [less, -value] if less && value.negative?

        [more, value]
      end
    end

    # The knobs of each kind of flight, and the measures that the change is told in.
    module Knobs
      DELAY = Knob.new(id: :delay, more: 'late_collective', measure: 'collective_delay_s', range: (0.0..4.0), words: ->(v) { "collective down #{v.round(1)} s sooner" })
      SPEED = Knob.new(id: :speed, more: 'fast_glide', less: 'slow_glide', measure: 'glide_ias_mean_kt', range: (-25.0..40.0),
                       words: ->(v) { "#{v.abs.round} kt #{v.positive? ? 'slower' : 'faster'} in the glide" })
      ROTOR = Knob.new(id: :rotor, more: 'high_rotor_rpm', less: 'low_rotor_rpm', measure: 'glide_rotor_rpm_mean_pct', range: (-10.0..15.0),
                       words: ->(v) { "rotor rpm #{v.abs.round} % #{v.positive? ? 'lower' : 'higher'} in the glide" })
      FLARE_HEIGHT = Knob.new(id: :flare_height, more: 'early_flare', less: 'late_flare', measure: 'flare_height_ft', range: (-40.0..120.0),
                              words: ->(v) { "the flare #{v.abs.round} ft #{v.positive? ? 'lower' : 'higher'}" })
      FLARE = Knob.new(id: :flare, more: 'hard_flare', less: 'weak_flare', measure: 'flare_pitch_max_deg', gain: 0.055, range: (-0.8..1.0),
                       words: ->(v) { "a flare #{v.positive? ? 'gentler' : 'stronger'} by #{(v.abs * 100).round} %" })
      CUSHION = Knob.new(id: :cushion, more: 'weak_cushion', measure: 'contact_sink_fpm', gain: 0.0012, range: (0.0..0.9), words: ->(v) { "a cushion stronger by #{(v * 100).round} %" })
      DRIFT = Knob.new(id: :drift, more: 'drift_at_contact', measure: 'contact_drift_kt', range: (-20.0..20.0), words: ->(v) { "#{v.abs.round} kt of drift taken off before contact" })
      PLACE = Knob.new(id: :place, more: 'entered_too_far', less: 'entered_too_close', measure: :entry_offset, range: (-1500.0..5000.0),
                       words: ->(v) { "the entry #{v.abs.round} ft #{v.positive? ? 'nearer' : 'farther out'}" })
      TURN = Knob.new(id: :turn, more: 'late_turn', measure: 'turn_delay_s', range: (0.0..20.0), words: ->(v) { "the turn begun #{v.round(1)} s sooner" })

      ANGLE = Knob.new(id: :angle, more: 'too_steep', less: 'too_shallow', measure: 'approach_angle_deg', range: (-6.0..6.0),
                       words: ->(v) { "the line #{v.abs.round(1)}° #{v.positive? ? 'shallower' : 'steeper'}" })
      SANK = Knob.new(id: :sank, more: 'sank_at_low_speed', measure: :sunk_over, range: (0.0..900.0), words: ->(v) { "#{v.round} ft/min less sink as the speed goes" })
      TRACK = Knob.new(id: :track, more: 'drifted_off_track', measure: :beside_line, range: (-600.0..600.0),
                       words: ->(v) { "on the line, #{v.abs.round} ft #{v.positive? ? 'left' : 'right'}" })
      DECISION = Knob.new(id: :decision, more: 'late_decision', measure: :descent_time, range: (0.0..30.0), words: ->(v) { "turned away #{v.round} s sooner" })
      CAP = Knob.new(id: :cap, more: 'power_cap_broken', measure: 'contact_groundspeed_kt', gain: -1.0, range: (0.0..20.0), words: ->(v) { "#{v.round} kt more kept until contact" })
      LEVEL = Knob.new(id: :level, more: 'not_level', measure: 'contact_pitch_deg', range: (0.0..20.0), words: ->(v) { "level at contact, #{v.round}° less pitch" })

      YAW = Knob.new(id: :yaw, more: 'yaw_uncorrected', measure: 'entry_yaw_deg', gain: 0.09, range: (0.0..3.0), words: ->(v) { "pedal #{v.round(1)} s sooner" })
      RAISED = Knob.new(id: :raised, more: 'raised_collective', measure: :raised_pct, range: (0.0..40.0), words: ->(v) { "the collective left alone, not up by #{v.round} %" })

      AUTOROTATION = [DELAY, SPEED, ROTOR, FLARE_HEIGHT, FLARE, CUSHION, DRIFT, PLACE].freeze
      TURNING = [*AUTOROTATION, TURN].freeze
      APPROACH = [ANGLE, SANK, TRACK, DECISION].freeze
      LOW_SPEED = [DELAY, SPEED, ROTOR].freeze
      HOVERING = [YAW, RAISED, CUSHION, DRIFT, LEVEL].freeze
      RUN_ON = [ANGLE, CAP, LEVEL, DRIFT].freeze

      AUTOROTATION_TOLD = %w[min_rotor_rpm_pct gate_ias_kt glide_sink_fpm roll_out_height_ft recovery_groundspeed_kt contact_sink_fpm contact_groundspeed_kt miss_along_ft].freeze
      LOW_SPEED_TOLD = %w[min_rotor_rpm_pct low_ias_min_kt height_to_glide_ft time_to_glide_s glide_ias_mean_kt glide_sink_fpm glide_rotor_rpm_mean_pct].freeze
      HOVERING_TOLD = %w[entry_yaw_deg contact_sink_fpm contact_drift_kt contact_pitch_deg contact_yaw_deg contact_rotor_rpm_pct].freeze
      APPROACH_TOLD = %w[approach_angle_deg sink_max_below_30_kt_fpm sink_over_allowed_fpm vortex_ring_margin_fpm groundspeed_at_50_ft_kt decision_height_ft
                         contact_sink_fpm contact_groundspeed_kt contact_pitch_deg contact_drift_kt power_peak_pct slide_ft miss_along_ft miss_across_ft].freeze
    end
  end
end
