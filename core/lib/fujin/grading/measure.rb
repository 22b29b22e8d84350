# frozen_string_literal: true

module Fujin
  module Grading
    # One number taken from a recording (docs/reference/measures.md).
    #
    # `low` and `high` are 5 and 95 % of what the recording leaves open, nil where that was not asked; `verdict` is
    # polished, in, marginal, out, not_recorded, or nil when the measure is shown but not judged; `too_close` marks a
    # verdict that another value in the range would turn; `band` is what it was held to.
    Measure =
      Value.define(
        :id, :phase, :value, :unit, :low, :high, :verdict, :critical, :too_close, :band, :source, :estimated,
        :reason,
        defaults: {
          low: nil,
          high: nil,
          verdict: nil,
          critical: false,
          too_close: false,
          band: nil,
          source: [].freeze,
          estimated: false,
          reason: nil
        }
      ) do
        # @param measures [Array<Measure>]
        # @return [Array<Measure>] those that have a verdict, the farthest out first, at most so many
        def self.farthest_out(measures, most)
          judged = measures.select { |one| one.judged? && !one.value.nil? }
          judged.sort_by.with_index { |one, i| [-Standard::VERDICTS.index(one.verdict), i] }.first(most)
        end

        def recorded? = verdict != 'not_recorded'
        # Taken at the gate, which is no limit of the aircraft.
        def gate? = id.start_with?('gate_')
        def judged? = Standard::VERDICTS.include?(verdict)

        # The least and the largest that it may have been; the value itself where no range is known.
        def least = low || value
        def most = high || value

        # Half the range, 90 %.
        def uncertainty = low && ((high - low) / 2.0)

        # Marginal or out, whatever it may have been: a fault's evidence.
        def bad? = %w[marginal out].include?(verdict)

        # Below its target, for a measure that is judged on both sides?
        def under? = value && band && value < band.target
      end
  end
end
