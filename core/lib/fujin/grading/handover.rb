# frozen_string_literal: true

module Fujin
  module Grading
    # A tap that says what the student now has: when, seconds since 1970, and the control or the step of the ladder.
    Handover = Value.define(:at_s, :control)
  end
end
