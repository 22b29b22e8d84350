# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # Level over the ground until there is lift, then the climb; from the spot or from the far end of the ground.
      class WithARun < DepartureWay
        HEIGHT_FT = FlownDeparture::RUN_FT
        # Speeding up and stopping, in g; seconds before the hand begins to stop.
        SPEEDING_UP = 0.1
        STOPPING = 0.15
        LATE_S = 1.0
        LIFT_KT = 20.0
        STEP_M = 2.0

        def initialize(departure, backtrack: false)
          super(departure)
          @backtrack = backtrack
        end

        def lift_point = lift ? number(lift[:run_m] / FT, 'ft') : no_number('ft', missing)
        def lift_speed = lift ? number(lift[:ias_kt], 'kt') : no_number('kt', missing)

        # From the start of the run, the last point from which it still stops on the ground.
        def commit_point
          metres = commit_m
          metres.positive? ? number(metres / FT, 'ft') : no_number('ft', 'room')
        end

        def path = lift ? lift[:path] : []

        private

        def sight = @sight ||= @departure.sight_from(lift ? lift_m : 0.0)
        def lift_m = lift ? start_m + lift[:run_m] : 0.0

        # Where the run begins, metres along the line from the spot.
        def start_m
          @start_m ||= @backtrack ? -[@departure.usable_m(-@departure.step), 0.0].max : 0.0
        end

        def usable_m = @usable_m ||= @departure.usable_m(@departure.step) - start_m

        # Stops a rotor's radius before the end: the usable length has it taken off.
        def commit_m
          @commit_m ||= (0.0..[usable_m, 0.0].max).step(0.5).select { |run| stops_by(run) <= usable_m }.max || 0.0
        end

        def stops_by(run)
          speed = ground_m_s(run)
          faster = speed + (SPEEDING_UP * Q::G * LATE_S)
          run + (speed * LATE_S) + (SPEEDING_UP * Q::G * (LATE_S**2) / 2.0) + ((faster**2) / (2.0 * STOPPING * Q::G))
        end

        def ground_m_s(run) = Math.sqrt(2.0 * SPEEDING_UP * Q::G * run)

        def ias_kt(run)
          against = @departure.headwind_along.call(start_m + run, HEIGHT_FT * FT)
          true_kt = (ground_m_s(run) / Q::KT) + against
          @day.conditions.atmosphere.equivalent_speed([true_kt, 0.0].max)
        end

        def judged
          first = @departure.sight
          return ['not', "not_known: #{first.unknown.join(', ')}"] if first.unknown.any?
          return %w[not power] unless @day.margin_ige_pct&.positive?
          return %w[not room] unless usable_m.positive? && room?

          if lift
            [lift[:which] == :high ? 'possible' : 'marginal',
             (lift[:which] == :high ? nil : 'clearance')]
          else
            ['not', ias_kt(commit_m) < LIFT_KT ? 'speed' : 'clearance']
          end
        end

        def room?
          at = @departure.spot.at + (@departure.step * start_m)
          @departure.room_at?(at, HEIGHT_FT * FT)
        end

        # The first point with the speed from which the climb clears, before the run has to be given up.
        def lift
          return @lift if defined?(@lift)

          @lift = @day.wind && %i[high value].lazy.filter_map { |which| lift_that_clears(which) }.first
        end

        def lift_that_clears(which)
          (0.0..commit_m).step(STEP_M).each do |run|
            ias = ias_kt(run)
            next if ias < LIFT_KT

            flown = climb_from(run, ias)
            over = @departure.sight_from(start_m + run)
            return { run_m: run, ias_kt: ias, path: flown, which: which } if clears?(which, flown, start_m + run, over)
          end
          nil
        rescue OutsideModel
          nil
        end

        def climb_from(run, ias)
          @climbs ||= {}
          @climbs[run] ||= ClimbAway.new(@day.conditions, speed_kt: @day.type.fetch('speeds_kt.climb').to_f,
                                                          headwind: @departure.headwind_along)
            .fly(state(run, ias)) { |point| point.along_m - start_m - run > @departure.reach_m }
        end

        def state(run, ias) =
          ClimbAway::State.new(along_m: start_m + run, height_m: HEIGHT_FT * FT, ias_kt: ias, sink_m_s: 0.0)
      end
    end
  end
end
