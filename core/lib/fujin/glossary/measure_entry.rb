# frozen_string_literal: true

module Fujin
  module Glossary
    # What is known of one measure; the fields are those of core/data/measures.yml. `differing` are the fields that
    # differ, by manoeuvre.
    MeasureEntry =
      Value.define(
        :id, :label, :short, :unit, :digits, :sources, :any_source, :control, :uncertainty, :uncertainty_estimated,
        :definition, :strip, :strip_drawn, :live, :in_lengths, :differing,
        defaults: { any_source: false, uncertainty: 0.0, uncertainty_estimated: nil, strip: nil, strip_drawn: 'band',
                    live: nil, in_lengths: false, differing: {}.freeze }
      ) do
        self::CONTROLS = %w[cyclic collective pedals throttle none].freeze

        # How its limits are drawn behind its strip: a band to stay in, lines where it is taken at one moment, or the
        # type's own band where it is a share of the time in that.
        self::DRAWN = %w[band line power_on_band].freeze

        # What is told while its phase is flown, and what a reading may be held to it by.
        self::SO_FAR = 'so_far'
        self::LIVE_KEYS = %w[of away_from side over].freeze

        # @param fields [Hash{String => Object}] of the data file
        # @raise [ArgumentError] naming the measure and what is wrong with it
        def self.of(id, fields, units)
          wrong = problem(fields, units)
          raise ArgumentError, "#{id}: #{wrong}" if wrong

          given = fields.except('in').transform_keys(&:to_sym)
          new(id: id, **given, sources: fields['sources'].map(&:to_sym).freeze, differing: fields.fetch('in', {}))
        end

        def self.problem(fields, units)
          missing = %w[label short unit digits sources control definition] - fields.keys
          return "#{missing.join(', ')} missing" unless missing.empty?

          wrong = %w[uncertainty uncertainty_estimated].find { |name| !fields.fetch(name, 0.0).is_a?(Numeric) }
          return "#{wrong} is a number in its unit" if wrong
          return "no unit #{fields['unit'].inspect}" unless units.key?(fields['unit'])

          return "live is #{self::SO_FAR} or #{self::LIVE_KEYS.join(', ')}" unless live?(fields['live'])

          unless self::DRAWN.include?(fields.fetch('strip_drawn', 'band'))
            return "strip_drawn is one of #{self::DRAWN.join(', ')}"
          end

          "control is one of #{self::CONTROLS.join(', ')}" unless self::CONTROLS.include?(fields['control'])
        end

        def self.live?(live) =
          live.nil? || live == self::SO_FAR ||
            (live.is_a?(Hash) && live.key?('of') && (live.keys - self::LIVE_KEYS).empty?)

        # As it is in one manoeuvre.
        def in(manoeuvre) = differing.key?(manoeuvre) ? with(**differing[manoeuvre].transform_keys(&:to_sym)) : self
      end
  end
end
