# frozen_string_literal: true

module Fujin
  module Logbook
    # How much of a flight was by night: with the sun's centre more than 6° under the horizon, the end of civil
    # twilight. Authorities count night otherwise too; the log says what it counts.
    module Night
      BELOW_DEG = -6.0

      module_function

      # @param from [Time], @param to [Time]
      # @return [Integer] minutes
      def minutes(from, to, lat_deg, lon_deg)
        whole = ((to - from) / 60.0).round
        (0...whole).count { |i| Sun.new(from + (i * 60) + 30, lat_deg, lon_deg).elevation_deg < BELOW_DEG }
      end
    end
  end
end
