# frozen_string_literal: true

module Fujin
  module Planning
    # How a student's flying scatters about the plan: one standard deviation of each, from earlier recordings or, until
    # there are five, a stated default.
    Spread = Value.define(:speed_kt, :rotor_pct, :delay_s, :flare_height_ft, :entry_ft, :across_ft, :bank_deg, :wind_kt, :attempts) do
      self::FEWEST = 5
      # Stated default: a student near solo on the school's own types.
      self::DEFAULT = { speed_kt: 4.0, rotor_pct: 2.0, delay_s: 0.35, flare_height_ft: 10.0, entry_ft: 120.0, across_ft: 25.0, bank_deg: 4.0, wind_kt: 2.0 }.freeze
      # What each is read from: the measure, and the number it is meant to be.
      self::SOURCES = { speed_kt: 'glide_ias_mean_kt', rotor_pct: 'glide_rotor_rpm_mean_pct', delay_s: 'collective_delay_s', flare_height_ft: 'flare_height_ft',
                        entry_ft: 'miss_along_ft', across_ft: 'miss_across_ft' }.freeze

      def self.default = new(**self::DEFAULT, attempts: 0)

      # @param measures [Array<Hash{String => Hash}>] of earlier attempts: {'value' =>, 'target' =>} by measure id
      # @return [Spread] the default where fewer than five attempts have the measure
      def self.from(measures)
        found = self::SOURCES.transform_values { |id| deviation(measures, id) }.compact
        new(**self::DEFAULT, **found, attempts: measures.size)
      end

      def self.deviation(measures, id)
        off = measures.filter_map { |m| m[id] && m[id]['value'] && (m[id]['value'] - (m[id]['target'] || 0.0)) }
        return nil if off.size < self::FEWEST

        Math.sqrt(off.sum { |d| d * d } / off.size)
      end
      private_class_method :deviation

      def own? = attempts >= self.class::FEWEST
    end
  end
end
