# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # A set-down onto a slope, only when that is the exercise: from a steady hover to standing banked. The lowering
      # begins where the bank leaves the hover's for good.
      class SlopeLandingFinder
        include Grading::Stretches
        include Grading::Descents

        EXERCISE = 'slope_landing'
        GROUND_FT = 1.5
        STEADY_FT = 2.2
        STILL_KT = 4.0
        STANDS_S = 2.0
        LONGEST_S = 60.0
        # Standing on less of a slope is a set-down like any other, degrees.
        BANKED_DEG = 1.5
        # Away from the hover's bank by so much, towards the slope, the first skid has met it.
        LEFT_DEG = 0.5
        # As near to how it stands it has settled.
        SETTLED_DEG = 0.4

        # @return [Array<Grading::Attempt>]
        def find
          return [] unless asked?

          stretches(all, STANDS_S, hole_s: SHORT_HOLE_S) { |i| height(i) < GROUND_FT && signals[:gs][i] < STILL_KT }
            .filter_map { |first, last| landing(first, last) }
        end

        private

        def asked? =
          @context.exercise == EXERCISE && @context.type.helicopter? &&
            %i[agl gs roll].all? { |name| signals.signal?(name) }

        # In the hover, then lower than it and not standing yet.
        def begun(_found)
          first, last = asked? && holding(STANDS_S, hole_s: SHORT_HOLE_S) { |i| signals[:gs][i] < STILL_KT }
          air = first && (first..last).reverse_each.find { |i| height(i) >= STEADY_FT } or return nil
          from, lowers, now = [[first, air - signals.samples(LONGEST_S)].max, air, last].map { |i| signals.time(i) }
          return nil if now - lowers > LONGEST_S

          attempt(EXERCISE, [phase('hover', from, lowers), phase('lowering', lowers, now)])
        end

        def landing(first, last)
          hover = (first - signals.samples(LONGEST_S)).clamp(0, nil)
          air = (hover...first).select { |i| height(i) >= STEADY_FT }
          return nil if air.size < signals.samples(STANDS_S)

          stands = median((last - [signals.samples(STANDS_S), last - first].min)..last)
          level = median(air.last(signals.samples(STANDS_S)))
          return nil if stands.nil? || level.nil? || (stands - level).abs < BANKED_DEG

          phases(air.last, last, level, stands)
        end

        def phases(in_the_air, last, level, stands)
          toward = stands <=> level
          met = (in_the_air..last).find { |i| (signals[:roll][i] - level) * toward > LEFT_DEG } or return nil
          settled = (met..last).find { |i| (stands - signals[:roll][i]) * toward < SETTLED_DEG } || last
          from = [in_the_air - signals.samples(3.0), 0].max
          times = [from, met, [settled + signals.samples(1.0), last].min].map { |i| signals.time(i) }
          return nil if times[2] <= times[1] || overlaps?(times[0], times[2])

          attempt(EXERCISE, [phase('hover', times[0], times[1]), phase('lowering', times[1], times[2])])
        end

        def median(range)
          values = range.map { |i| signals[:roll][i] }.reject(&:nan?)
          values.empty? ? nil : Quantities.median(values)
        end
      end
    end
  end
end
