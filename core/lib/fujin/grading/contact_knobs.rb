# frozen_string_literal: true

module Fujin
  module Grading
    # The knobs of what is felt at contact, alike for everything that lands.
    module ContactKnobs
      CUSHION =
        Knob.new(
          id: :cushion,
          more: 'weak_cushion',
          last: true,
          measure: 'contact_sink_fpm',
          gain: 0.0012,
          range: (0.0..0.9),
          least: 0.05,
          words: ->(v) { Text.of('a cushion stronger by %{value} %', value: (v * 100).round) }
        )
      DRIFT =
        Knob.new(
          id: :drift,
          more: 'drift_at_contact',
          measure: 'contact_drift_kt',
          range: (-20.0..20.0),
          least: 0.5,
          words: ->(v) { Text.of('%{value} kt of drift taken off before contact', value: v.abs.round) }
        )
      LEVEL =
        Knob.new(
          id: :level,
          more: 'not_level',
          measure: 'contact_pitch_deg',
          range: (0.0..20.0),
          least: 1.0,
          words: ->(v) { Text.of('level at contact, %{value}° less pitch', value: v.round) }
        )
    end
  end
end
