# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Effects of controls: between the taps that hand a control over, when that is the exercise and the recording's
      # clock can be laid beside the tablet's (docs/reference/boundaries.md).
      class EffectsOfControlsFinder
        include Grading::Stretches

        EXERCISE = 'effects_of_controls'
        # The student has nothing yet.
        NOTHING = %w[following instructor].freeze
        LEAST_S = 4.0
        AIRBORNE_FT = 1.5
        # The last hand-over counts for so long at most.
        LONGEST_S = 120.0

        # @return [Array<Attempt>]
        def find
          return [] unless @context.exercise == EXERCISE && signals.clocked? && signals.signal?(:agl)

          taps = @context.handovers.sort_by(&:at_s).map { |tap| [signals.at_clock(tap.at_s), tap.control] }
          [*taps, [signals.end_s, nil]].each_cons(2)
            .filter_map do |(from, control), (to, _)|
              held(from, [to, from + LONGEST_S].min) unless NOTHING.include?(control)
            end
        end

        private

        # In the air, within the recording, for long enough to be something.
        def held(from, to)
          from = [from, signals.start_s].max
          to = [to, signals.end_s].min
          return nil if to - from < LEAST_S || overlaps?(from, to)

          flying = (signals.index(from)..signals.index(to)).select { |i| height(i) > AIRBORNE_FT }
          return nil if flying.empty? || signals.time(flying.last) - signals.time(flying.first) < LEAST_S

          attempt(
            EXERCISE,
            [phase('hover', signals.time(flying.first), signals.time(flying.last))],
            events: {
              handed_s: from
            }
          )
        end
      end
    end
  end
end
