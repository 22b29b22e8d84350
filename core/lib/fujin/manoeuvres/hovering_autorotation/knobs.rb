# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module HoveringAutorotation
      # What of a hovering autorotation one change can be tried on, and the measures that it is told in.
      module Knobs
        YAW =
          Grading::Knob.new(
            id: :yaw,
            more: 'yaw_uncorrected',
            measure: 'entry_yaw_deg',
            gain: 0.09,
            range: (0.0..3.0),
            least: 0.1,
            words: ->(v) { Text.of('pedal %{value} s sooner', value: v.round(1)) }
          )
        RAISED =
          Grading::Knob.new(
            id: :raised,
            more: 'raised_collective',
            measure: 'collective_raised_pct',
            range: (0.0..40.0),
            least: 2.0,
            words: ->(v) { Text.of('the collective left alone, not up by %{value} %', value: v.round) },
            untold: %w[contact_rotor_rpm_pct contact_yaw_deg contact_pitch_deg].freeze
          )

        HOVERING = [
          YAW,
          RAISED,
          Grading::ContactKnobs::CUSHION,
          Grading::ContactKnobs::DRIFT,
          Grading::ContactKnobs::LEVEL
        ].freeze
        HOVERING_TOLD = %w[
          entry_yaw_deg contact_sink_fpm contact_drift_kt contact_pitch_deg contact_yaw_deg contact_rotor_rpm_pct
        ].freeze
      end
    end
  end
end
