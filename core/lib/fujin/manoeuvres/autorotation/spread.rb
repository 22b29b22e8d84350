# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # How a student's flying scatters about the plan: one standard deviation of each, from earlier recordings or,
      # until there are five, a stated default. `miss_along_ft` is how far landings end from the spot along the course,
      # where the student has enough of them: all scatter together, so it stands in place of `entry_ft`
      # (Dispersion#entry_ft).
      Spread =
        Value.define(
          :speed_kt, :rotor_pct, :delay_s, :flare_height_ft, :entry_ft, :across_ft, :bank_deg, :wind_kt, :attempts,
          :miss_along_ft,
          defaults: {
            miss_along_ft: nil
          }
        ) do
          self::FEWEST = 5
          # Stated default: a student near solo on the school's own types.
          self::DEFAULT = {
            speed_kt: 4.0,
            rotor_pct: 2.0,
            delay_s: 0.35,
            flare_height_ft: 10.0,
            entry_ft: 120.0,
            across_ft: 25.0,
            bank_deg: 4.0,
            wind_kt: 2.0
          }.freeze
          # The measure each is read from.
          self::SOURCES = {
            speed_kt: 'glide_ias_mean_kt',
            rotor_pct: 'glide_rotor_rpm_mean_pct',
            flare_height_ft: 'flare_height_ft',
            across_ft: 'miss_across_ft',
            miss_along_ft: 'miss_along_ft'
          }.freeze

          def self.default = new(**self::DEFAULT, attempts: 0)

          # @param measures [Array<Hash{String => Hash}>] of earlier attempts: {'value' =>, 'target' =>} by measure id
          # @param planned_delay_s [Float] from power loss to the collective down, as plans have it; quicker counts as
          #   planned
          # @return [Spread] the default where fewer than five attempts have the measure
          def self.from(measures, planned_delay_s:)
            found = self::SOURCES.transform_values { |id| deviation(measures) { |m| off_target(m[id]) } }
            found[:delay_s] = deviation(measures) do |m|
              m['collective_delay_s'] && value(m['collective_delay_s'])&.then { |s| [s - planned_delay_s, 0.0].max }
            end
            new(**self::DEFAULT, **found.compact, attempts: measures.size)
          end

          def self.value(measure) = measure['value']
          def self.off_target(measure) = measure && value(measure)&.then { |v| v - (measure['target'] || 0.0) }

          def self.deviation(measures, &)
            off = measures.filter_map(&)
            return nil if off.size < self::FEWEST

            Math.sqrt(off.sum { |d| d * d } / off.size)
          end
          private_class_method :deviation, :value, :off_target

          def own? = attempts >= self.class::FEWEST
        end
    end
  end
end
