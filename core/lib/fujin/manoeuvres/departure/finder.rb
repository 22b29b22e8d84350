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
        CLIMBS_S = 1.5
        # Away from where it stood for so long it is seen to have begun.
        BEGUN_S = 1.0
        KINDS = %w[hover_power_take_off maximum_performance_take_off].freeze

        # @return [Array<Attempt>]
        def find = standing.filter_map { |_, last| build(last) }

        private

        def recorded? =
          @context.type.helicopter? && %i[agl gs ias sink].all? { |name| signals.signal?(name) }

        def standing
          return [] unless recorded?

          stretches(all, 1.0) { |i| signals[:gs][i] < STILL_KT && height(i) < LOW_FT }
        end

        # It has left the place where it stood and is not at climb speed yet.
        def begun(found)
          left = standing.last&.last or return nil
          from = signals.time(left)
          unless (BEGUN_S..LONGEST_S).cover?(signals.end_s - from) && after_all?(found, from) &&
              !overlaps?(from, signals.end_s)
            return nil
          end

          climb = first_held(left..last_index, CLIMBS_S) { |i| signals[:sink][i] < CLIMBING_FPM }
          attempt(KINDS.include?(@context.exercise) ? @context.exercise : kind(left, last_index),
                  phases(left, climb || last_index, last_index))
        end

        def climb_kt = @context.type.fetch('speeds_kt.climb').to_f

        def build(last)
          range = last..[last + signals.samples(LONGEST_S), signals.size - 1].min
          finish = range.find { |i| signals[:ias][i] >= climb_kt - NEAR_KT && height(i) >= LEAST_FT } or return nil
          # It stopped again on the way: that was no take-off.
          if ((last + 1)..finish).any? { |i| signals[:gs][i] < STILL_KT * 0.5 } ||
              overlaps?(signals.time(last), signals.time(finish))
            return nil
          end

          climb = first_held(last..finish, CLIMBS_S) { |i| signals[:sink][i] < CLIMBING_FPM } || finish
          attempt(kind(last, finish), phases(last, climb, finish))
        end

        def kind(last, finish) = angle(last, finish) > STEEP_DEG ? KINDS.last : KINDS.first

        def phases(last, climb, finish)
          from, climbs, to = [last, climb, finish].map { |i| signals.time(i) }
          [phase('take_off', from, climbs), phase('climb', climbs, to)]
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
