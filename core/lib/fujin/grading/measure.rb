# frozen_string_literal: true

module Fujin
  module Grading
    # One number taken from a recording (docs/reference/measures.md).
    #
    # `verdict` is polished, in, marginal, out, not_recorded, or nil when the measure is shown but not judged;
    # `too_close` marks a verdict that the value's uncertainty could turn; `band` is what it was held to.
    Measure =
      Value.define(
        :id, :phase, :value, :unit, :verdict, :critical, :too_close, :band, :uncertainty, :source, :estimated,
        :reason,
        defaults: {
          critical: false,
          too_close: false,
          band: nil,
          uncertainty: nil,
          source: [].freeze,
          estimated: false,
          reason: nil
        }
      ) do
        def recorded? = verdict != 'not_recorded'
        def judged? = Standard::VERDICTS.include?(verdict)

        # Would the value's uncertainty carry it back inside what the standard allows?
        def could_be_in? =
          band && uncertainty &&
            [value - uncertainty, value + uncertainty].any? { |v| %w[polished in].include?(band.verdict(v)) }

        def low = band && band.in[0]
        def high = band && band.in[1]

        # Below its target, for a measure that is judged on both sides?
        def under? = value && band && value < band.target
      end
  end
end
