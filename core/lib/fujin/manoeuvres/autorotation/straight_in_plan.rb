# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Plans a straight-in autorotation: the day's numbers, where the entry begins, the gates, the path and its
      # uncertainty, what can be reached by each option. Closed forms for the steady parts, flown segments for entry
      # and flare.
      class StraightInPlan < Plan
        def self.declaration = StraightInAutorotation

        # Distance along the course from power loss at a height and speed to the end, metres.
        # @raise [OutsideModel] for a glide at another pace without the height to win the house's back
        def entry_distance_m(height_ft: @height_ft, sink_factor: 1.0, wind_change_kt: 0.0)
          height = (height_ft - flare_height_ft) * Q::FT
          glide = paced.legs([height - entry.height_lost_m, 0.0].max)
          over_ground.entry_m(entry, wind_change_kt) +
            glide.sum do |leg|
              leg.seconds / sink_factor * over_ground.ground_speed(true_speed(leg.speed_kt), wind_change_kt)
            end +
            over_ground.flare_m(flare, wind_change_kt)
        end

        # @return [Autorotation::Plan::Parts]
        def parts =
          Parts.new(
            restored: paced.restored,
            entry_m: [-entry_spread.first, 0.0].freeze
          )

        # From power loss to the settled glide, flown to another speed.
        # @return [Taken]
        def begun(speed_kt: 0.0, **)
          segment = speed_kt.zero? ? entry : flown_segments(@glide_speed + speed_kt, @target_pct).settled_entry
          Taken.new(
            along_m: over_ground.entry_m(segment),
            across_m: 0.0,
            seconds: segment.duration_s,
            height_m: segment.height_lost_m
          )
        end

        # A spot that asks for turns is planned as an autorotation with turns.
        # @return [Autorotation::Plan] that flies the option chosen
        def chosen
          turned = { 's_turn' => STurnPlan, 'circle' => TurningPlan }[@settings['spot_option']]
          return self unless turned

          turned.new(
            @conditions,
            @house,
            course_deg: @course_deg,
            height_ft: @height_ft,
            stage: @stage,
            settings: turned::FOR_A_CLOSE_SPOT
          )
        end

        # What each option reaches from another place than the planned entry, this plan's course being the track that is
        # flown there. It supposes the house's entry speed; slower reaches less.
        # @param course_deg [Float] final course, that the place is along and across of from the spot
        # @return [Array<Planning::Reach>]
        def reaches_from(along_ft, across_ft, course_deg:) =
          options_from([along_ft * Q::FT, across_ft * Q::FT], course_deg).all

        # What reaches the spot from this height, so far before it.
        # @return [Array<FromHere::Way>]
        def from_here(distance_ft)
          distance = numbers.fetch('entry_distance_ft')
          FromHere.new(spot_options, distance_ft: distance_ft, allowed_ft: held('miss_along_ft', 'ft')[:high],
                                     spread_ft: (distance.high - distance.low) / 2.0 / NINETY_PCT).ways
        end
        # Standard deviations to either side that hold 90 % of a normal distribution.
        NINETY_PCT = 1.645

        def plan = chosen.equal?(self) ? super : chosen.plan.with(manoeuvre: declaration.id, settings: @settings)

        private

        # The settled entry where the height has room for it, the barely established one where it has not.
        def entry
          room = ((@height_ft - flare_height_ft - 50.0) * Q::FT) - paced.least_height_m
          segments.settled_entry.height_lost_m < room ? segments.settled_entry : segments.entry
        end

        def lowest_height_ft =
          flare_height_ft + ((segments.entry.height_lost_m + paced.least_height_m) / Q::FT) + 50.0

        def place_numbers
          middle, low, high = entry_spread.map { |d| d / Q::FT }
          { 'entry_distance_ft' => number(middle, 'ft', low, high) }
        end

        # Entry distance with its 5 and 95 % bounds: sink, wind and speed errors combined as independent.
        def entry_spread
          @entry_spread ||= begin
            middle = entry_distance_m
            speed_share = SPEED_SPREAD_KT / @glide_speed * 0.4
            errors = [entry_distance_m(sink_factor: 1.0 - SINK_SPREAD) - middle,
                      entry_distance_m(wind_change_kt: -WIND_SPREAD_KT) - middle, middle * speed_share]
            spread = Math.sqrt(errors.sum { |e| e * e })
            [middle, middle - spread, middle + spread]
          end
        end

        def path
          @path ||=
            PlannedPath.new(
              setup_s: level_s,
              height_ft: @height_ft,
              entry_speed_kt: @entry_speed,
              entry: entry,
              legs: paced.legs(((@height_ft - flare_height_ft) * Q::FT) - entry.height_lost_m),
              flare: flare_to_end,
              flare_height_ft: flare_height_ft,
              established_s: segments.entry.duration_s,
              true_speed: ->(kt) { true_speed(kt) },
              ground_speed: over_ground.method(:ground_speed),
              flare_ground_speed: over_ground.method(:flare_ground_speed)
            ).points
        end

        # Along-track spread of the path at heights on the way down: [height_ft, low_ft, high_ft] about the path.
        def band
          middle, low, high = entry_spread
          top = @height_ft
          path
            .select { |p| %i[entry glide flare].include?(p.phase) }
            .each_slice(10)
            .map(&:first)
            .map do |point|
              share = ((top - point.height_ft) / top).clamp(0.0, 1.0)
              [
                point.height_ft,
                point.along_ft - ((high - middle) / Q::FT * share),
                point.along_ft + ((middle - low) / Q::FT * share)
              ]
            end
        end
      end
    end
  end
end
