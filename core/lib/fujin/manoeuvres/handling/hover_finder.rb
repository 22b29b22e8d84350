# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Hovers: 10 s or more under 3 kt at 2 to 15 ft, less 6 s beside another attempt; pedal turns in them, over 5°/s
      # through 45° (docs/reference/boundaries.md).
      class HoverFinder
        include Grading::Stretches

        STILL_KT = 3.0
        HEIGHTS_FT = (2.0..15.0)
        LEAST_S = 10.0
        # Seen to have begun after so long.
        BEGUN_S = 4.0
        BESIDE_S = 6.0
        TURN_DEG_S = 5.0
        TURN_DEG = 45.0

        # @return [Array<Attempt>]
        def find
          return [] unless recorded?

          stretches(all, LEAST_S) { |i| hovering?(i) }
            .flat_map { |first, last| free(signals.time(first), signals.time(last)) }
            .flat_map { |from, to| hovers(from, to) }
        end

        private

        def recorded? = @context.type.helicopter? && signals.signal?(:agl) && signals.signal?(:gs)
        def hovering?(index) = signals[:gs][index] < STILL_KT && HEIGHTS_FT.cover?(height(index))

        # Standing still in the air, not long enough to be a hover that counts.
        def begun(_found)
          first, last = recorded? && holding(BEGUN_S) { |i| hovering?(i) }
          return nil unless first

          from, to = free(signals.time(first), signals.time(last), BEGUN_S).last
          from && to > signals.end_s - GOES_ON_S ? attempt('hover', [phase('hover', from, to)]) : nil
        end

        # What other attempts leave of a stretch.
        def free(from, to, least_s = LEAST_S)
          busy = @taken.select { |a| a.start_s < to + BESIDE_S && a.end_s > from - 0.1 }.sort_by(&:start_s)
          pieces = [[from, to]]
          busy.each do |other|
            pieces = pieces.flat_map { |a, b| [[a, [b, other.start_s - BESIDE_S].min], [[a, after(other)].max, b]] }
          end
          pieces.select { |a, b| b - a >= least_s }
        end

        # A termination has had its six seconds in the attempt itself.
        def after(other) =
          %w[termination recovery].include?(other.phases.last.id) ? other.end_s : other.end_s + BESIDE_S

        def hovers(from, to)
          turns = turns(from, to)
          marks = [from, *turns.flatten, to].each_slice(2).select { |a, b| b - a >= LEAST_S }
          marks.map { |a, b| attempt('hover', [phase('hover', a, b)]) } +
            turns.map { |a, b| attempt('hover_turn', [phase('hover', a, b)]) }
        end

        def turns(from, to)
          return [] unless signals.signal?(:heading)

          rate =
            Recordings::Smoothing.rate(
              Recordings::Smoothing.mean(signals[:heading], signals.samples(0.3)),
              signals.step_s,
              signals.samples(0.3)
            )
          stretches(signals.index(from)..signals.index(to), 1.0, hole_s: SHORT_HOLE_S) { |i| rate[i].abs > TURN_DEG_S }
            .select { |a, b| (signals[:heading][b] - signals[:heading][a]).abs >= TURN_DEG }
            .map { |a, b| [signals.time(a), signals.time(b)] }
        end
      end
    end
  end
end
