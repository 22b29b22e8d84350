# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # What the student had in hand from one tap that hands a control over to the next, when that is the exercise and
      # the recording's clock can be laid beside the tablet's (docs/reference/boundaries.md). Who includes it says what
      # the exercise is, what its phase is called, and what flying is.
      module BetweenHandovers
        # The student has nothing yet.
        NOTHING = %w[following instructor].freeze
        LEAST_S = 4.0
        # The last hand-over counts for so long at most.
        LONGEST_S = 120.0

        # @return [Array<Grading::Attempt>]
        def find
          return [] unless @context.exercise == exercise && signals.clocked? && recorded?

          taps = @context.handovers.sort_by(&:at_s).map { |tap| [signals.at_clock(tap.at_s), tap.control] }
          [*taps, [signals.end_s, nil]].each_cons(2)
            .filter_map do |(from, control), (to, _)|
              held(from, [to, from + LONGEST_S].min) unless NOTHING.include?(control)
            end
        end

        private

        # Flying, within the recording, for long enough to be something.
        def held(from, to)
          from = [from, signals.start_s].max
          to = [to, signals.end_s].min
          return nil if to - from < LEAST_S || overlaps?(from, to)

          flown = (signals.index(from)..signals.index(to)).select { |i| flying?(i) }
          return nil if flown.empty? || signals.time(flown.last) - signals.time(flown.first) < LEAST_S

          attempt(
            exercise,
            [phase(stretch, signals.time(flown.first), signals.time(flown.last))],
            events: {
              handed_s: from
            }
          )
        end
      end
    end
  end
end
