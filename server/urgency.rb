# frozen_string_literal: true

module Fujin
  # Which job goes first: a flight that is being flown before everything, then what somebody waits for, last what only
  # keeps the books. Of one kind, the first of a person goes before the second of another, so that one who brings two
  # hundred files holds nobody up by more than one. Small numbers are urgent.
  module Urgency
    LIVE = 5
    LETTER = 8
    IMPORT = (10..29)
    AGAIN = 40
    SPREAD = (50..69)
    RECOUNT = 80

    # One entry a worker: the least urgent job that it takes, 'any' is every one. A flight may be recorded for hours, so
    # those have workers of their own, and an import never waits for spreads.
    WORKERS = [*([LIVE] * 4), IMPORT.end, AGAIN, 'any', 'any'].freeze

    module_function

    # @param range [Range] of the kind, @param waiting [Integer] of the same person's that wait already
    # @return [Integer]
    def behind(range, waiting) = range.begin + [waiting, range.size - 1].min
  end
end
