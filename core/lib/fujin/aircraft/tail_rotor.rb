# frozen_string_literal: true

module Fujin
  module Aircraft
    # Where a wind disturbs the tail rotor: relative directions clockwise from the nose (docs/reference/words.md).
    module TailRotor
      SECTORS_DEG = { false => [[285, 315], [210, 330], [120, 240]], true => [[45, 75], [30, 150], [120, 240]] }.freeze
      # Less wind is not warned of. Chosen.
      LEAST_KT = 8.0
      # It is exposed with so much of the engine's limit on, at these airspeeds: slower, the air has no direction worth
      # the name; faster, the fin holds the tail.
      HIGH_POWER_PCT = 60.0
      AIRSPEED_KT = (5.0..30.0)

      # @param relative_deg [Float] where the air comes from, clockwise from the nose
      def self.disturbed?(type, relative_deg) =
        type.helicopter? &&
          SECTORS_DEG.fetch(type.clockwise?).any? { |from, to| (from..to).cover?(relative_deg % 360.0) }
    end
  end
end
