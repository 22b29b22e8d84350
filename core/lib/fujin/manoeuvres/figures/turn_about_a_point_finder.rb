# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      # Turns about a point: looked for only when that is the exercise, about the sortie's point and near the planned
      # radius (docs/reference/boundaries.md, 'only against a planned figure').
      class TurnAboutAPointFinder
        include Grading::Stretches

        EXERCISE = 'turn_about_a_point'
        # How far from the planned radius the aircraft may be and still be flying round the point.
        NEAR = (0.4..1.8)
        ABOVE_FT = 150.0
        SLOWEST_KT = 25.0
        LEAST_DEG = 330.0
        LEAST_S = 10.0
        TURNING_DEG_S = 1.0

        # @return [Array<Attempt>]
        def find
          return [] unless asked?

          stretches(all, LEAST_S) { |i| round?(i) }
            .select do |from, to|
              round.swept_deg(from, to).abs >= LEAST_DEG && !overlaps?(signals.time(from), signals.time(to))
            end
            .map { |from, to| attempt(EXERCISE, [phase('turn', signals.time(from), signals.time(to))]) }
        end

        private

        def asked? =
          @context.exercise == EXERCISE && @context.spot &&
            %i[lat lon agl gs track].all? { |name| signals.signal?(name) }

        # Not all the way round yet.
        def begun(_found)
          run = asked? && holding(LEAST_S) { |i| round?(i) } or return nil
          from, to = run.map { |i| signals.time(i) }
          overlaps?(from, to) ? nil : attempt(EXERCISE, [phase('turn', from, to)])
        end

        def round?(index) =
          NEAR.cover?(round.radius_ft[index] / planned_ft) && height(index) > ABOVE_FT &&
            signals[:gs][index] > SLOWEST_KT && turning?(index)

        def round = @round ||= Around.new(signals, @context.spot)
        def planned_ft = @planned_ft ||= @context.plan_of(TurnAboutAPoint).value('turn_radius_ft')

        def turning?(index) = rate[index].abs > TURNING_DEG_S

        def rate =
          @rate ||=
            Recordings::Smoothing.rate(
              Recordings::Smoothing.mean(signals[:track], signals.samples(1.0)),
              signals.step_s,
              signals.samples(1.0)
            )

        # Where an aircraft is about a point: its distance, ft, and the bearing from the point, degrees without jumps.
        class Around
          attr_reader :radius_ft, :bearing_deg

          def initialize(signals, spot)
            about = Grading::AboutSpot.new(signals, spot, 0.0)
            places = (0...signals.size).map { |i| about.place(i) }
            @radius_ft = places.map { |north, east| Math.hypot(north, east) }
            @bearing_deg =
              Recordings::Smoothing.unwrap(places.map { |north, east| Math.atan2(east, north) / Quantities::DEG })
          end

          # Degrees gone round between two samples, clockwise +.
          def swept_deg(from, to) = bearing_deg[to] - bearing_deg[from]
        end
      end
    end
  end
end
