# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Measures of a low or zero airspeed autorotation: an autorotation's, how slow it was, and what it cost to get
      # the glide speed back.
      class LowSpeedMeasures < Measures
        # The way back begins where the airspeed has last left its lowest by this, kt.
        LEFT_KT = 4.0

        # @return [Hash{String => Measure}]
        def measures
          super
          take_way_back if attempt.phase('entry') && attempt.phase('glide')
          @taken
        end

        private

        # It begins where it is begun: the plan of it has no entry of its own.
        def setup_centre = []

        def take_way_back
          entry = attempt.phase('entry')
          glide = attempt.phase('glide').start_s
          lowest = over(:ias, entry.start_s, glide, &:min)
          put('low_ias_min_kt', 'entry', lowest)
          left =
            if lowest.nan?
              nil
            else
              signals
                .index(glide)
                .downto(signals.index(entry.start_s))
                .find { |i| signals[:ias][i] < lowest + LEFT_KT }
            end
          put('height_to_glide_ft', 'entry', left && height_lost(signals.time(left), glide))
          put('time_to_glide_s', 'entry', left && (glide - signals.time(left)))
        end
      end
    end
  end
end
