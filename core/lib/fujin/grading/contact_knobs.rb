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
          words: ->(v) { "a cushion stronger by #{(v * 100).round} %" }
        )
      DRIFT =
        Knob.new(
          id: :drift,
          more: 'drift_at_contact',
          measure: 'contact_drift_kt',
          range: (-20.0..20.0),
          least: 0.5,
          words: ->(v) { "#{v.abs.round} kt of drift taken off before contact" }
        )
      LEVEL =
        Knob.new(
          id: :level,
          more: 'not_level',
          measure: 'contact_pitch_deg',
          range: (0.0..20.0),
          least: 1.0,
          words: ->(v) { "level at contact, #{v.round}° less pitch" }
        )
    end
  end
end
