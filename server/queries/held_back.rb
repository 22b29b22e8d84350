# frozen_string_literal: true

module Fujin
  # What a learner does not see before their own word: until a student has graded, and until a candidate has named the
  # fault, no grade, level, measure, share of a band or ledger of the attempt goes to them by any route.
  module HeldBack
    module_function

    # @param viewer [Person]
    # @param attempt [AttemptRow]
    def from?(viewer, attempt) = viewer.learner? && !attempt.answered?
  end
end
