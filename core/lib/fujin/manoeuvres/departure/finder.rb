# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Departure
      # Take-offs: from hover or ground to climb speed; maximum performance if the path is over 8° before 40 kt
      # (docs/reference/boundaries.md).
      class Finder
        include Grading::Stretches

        STILL_KT = 3.0
        LOW_FT = 20.0
        LONGEST_S = 90.0
        NEAR_KT = 3.0
        LEAST_FT = 50.0
        STEEP_DEG = 8.0
        STEEP_BEFORE_KT = 40.0
        CLIMBING_FPM = -100.0

        # @return [Array<Attempt>]
        def find
          unless @context.type.helicopter? && signals.signal?(:agl) && signals.signal?(:gs) && signals.signal?(:ias) &&
              signals.signal?(:sink)
            return []
          end

          stretches(all, 1.0, hole_s: 1.0) do |i|
            signals[:gs][i] < STILL_KT && height(i) < LOW_FT
          end.filter_map { |_, last| build(last) }
        end

        private

        def climb_kt = @context.type.fetch('speeds_kt.climb').to_f

        def build(last)
          range = last..[last + signals.samples(LONGEST_S), signals.size - 1].min
          finish = range.find { |i| signals[:ias][i] >= climb_kt - NEAR_KT && height(i) >= LEAST_FT } or return nil
          # It stopped again on the way: that was no take-off.
          if ((last + 1)..finish).any? { |i| signals[:gs][i] < STILL_KT * 0.5 } ||
              overlaps?(signals.time(last), signals.time(finish))
            return nil
          end

          climb = first_held(last..finish, 1.5) { |i| signals[:sink][i] < CLIMBING_FPM } || finish
          attempt(
            angle(last, finish) > STEEP_DEG ? 'maximum_performance_take_off' : 'hover_power_take_off',
            [
              phase('take_off', signals.time(last), signals.time(climb)),
              phase('climb', signals.time(climb), signals.time(finish))
            ]
          )
        end

        # Steepness of the path up to 40 kt.
        def angle(from, finish)
          to = (from..finish).find { |i| signals[:gs][i] >= STEEP_BEFORE_KT } || finish
          distance = (from...to).sum { |i| signals[:gs][i] * signals.step_s * Grading::Measuring::FT_PER_KT_S }
          Math.atan2(height(to) - height(from), [distance, 1.0].max) / Quantities::DEG
        end
      end
    end
  end
end
