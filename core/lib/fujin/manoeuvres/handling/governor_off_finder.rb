# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Flying with the governor off: `manual` from the switch, `joining` from the throttle's first move after the
      # needles' last split to the switch back (docs/reference/boundaries.md). Only a recorder that writes the switch
      # shows it: rotor rpm alone wanders for many reasons.
      class GovernorOffFinder
        include Grading::Stretches

        LEAST_S = 10.0
        # Seen to have begun after so long.
        BEGUN_S = 0.5
        # The switch is one of two things; half way is neither.
        OFF = 0.5
        ABOVE_FT = 3.0
        SPLIT_PCT = 3.0
        JOINED_PCT = 1.0
        JOINED_S = 1.0
        OPENED_PCT = 3.0

        # @return [Array<Attempt>]
        def find
          return [] unless recorded?

          stretches(all, LEAST_S) { |i| off?(i) }.filter_map { |first, last| build(first, last) }
        end

        private

        def recorded? = @context.type.helicopter? && %i[governor nr].all? { |name| signals.signal?(name) }
        def off?(index) = signals[:governor][index] < OFF && flying?(index)

        # Just switched off.
        def begun(_found) = recorded? && holding(BEGUN_S) { |i| off?(i) }&.then { |run| build(*run) }

        def flying?(index) = !signals.signal?(:agl) || height(index) > ABOVE_FT

        def build(first, last)
          return nil if overlaps?(signals.time(first), signals.time(last))

          opened = opened_at(first, last)
          joined = opened && first_held(opened..last, JOINED_S) { |i| split(i) <= JOINED_PCT }
          off = signals.time(first)
          on = signals.time([last + 1, signals.size - 1].min)
          begun = opened ? signals.time(opened) : on
          attempt(
            'governor_off',
            [phase('manual', off, begun), phase('joining', begun, on)],
            events: { opened_s: opened && begun, joined_s: joined && signals.time(joined),
                      governor_on_s: last + 1 < signals.size ? on : nil }
          )
        end

        def split(index) = signals[:nr][index] - signals[:ne][index]

        # After the needles' last split: where the throttle had been opened from its lowest; without a throttle in the
        # recording, where the split begins to close.
        def opened_at(first, last)
          return nil unless signals.signal?(:ne)

          parted = last.downto(first).find { |i| split(i) >= SPLIT_PCT } or return nil
          from = parted.downto(first).take_while { |i| split(i) >= SPLIT_PCT }.last
          return (from..parted).max_by { |i| split(i) } unless signals.signal?(:throttle)

          lowest = (from..parted).min_by { |i| signals[:throttle][i] }
          (lowest..last).find { |i| signals[:throttle][i] >= signals[:throttle][lowest] + OPENED_PCT }
        end
      end
    end
  end
end
