# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Lift-offs and set-downs: from the ground to a steady 3 ft, or back (docs/reference/boundaries.md).
      class LiftOffFinder
        include Grading::Stretches
        include Grading::Descents

        GROUND_FT = 1.0
        STEADY_FT = 2.2
        STEADY_FPM = 40.0
        STEADY_S = 1.5
        STILL_KT = 4.0
        STANDS_S = 2.0
        LONGEST_S = 20.0

        # @return [Array<Attempt>]
        def find
          stands.flat_map { |first, last| [lowering(first), lifting(last)] }.compact
        end

        private

        def stands
          unless @context.type.helicopter? && %i[agl gs sink].all? { |name| signals.signal?(name) }
            return []
          end

          stretches(all, STANDS_S, hole_s: SHORT_HOLE_S) { |i| height(i) < GROUND_FT && signals[:gs][i] < STILL_KT }
        end

        # Off the ground in place since it stood there.
        def begun(_found)
          left = stands.last&.last or return nil
          from = signals.time(left)
          return nil if left == last_index || signals.end_s - from > LONGEST_S || overlaps?(from, signals.end_s)

          still?(left..last_index) ? attempt('lift_off_and_set_down', [phase('hover', from, signals.end_s)]) : nil
        end

        def steady?(index) = height(index) >= STEADY_FT && sink[index].abs < STEADY_FPM
        def still?(range) = range.all? { |i| signals[:gs][i] < STILL_KT }

        def lifting(last)
          range = last..[last + signals.samples(LONGEST_S), signals.size - 1].min
          steady = first_held(range, STEADY_S) { |i| steady?(i) } or return nil
          build(last, steady)
        end

        def lowering(first)
          from = [first - signals.samples(LONGEST_S), 0].max
          steady = first_held(0..(first - from), STEADY_S) { |back| steady?(first - back) } or return nil
          build(first - steady, first)
        end

        def build(from, to)
          return nil if to <= from || !still?(from..to) || overlaps?(signals.time(from), signals.time(to))

          attempt('lift_off_and_set_down', [phase('hover', signals.time(from), signals.time(to))])
        end
      end
    end
  end
end
