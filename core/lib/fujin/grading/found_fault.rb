# frozen_string_literal: true

module Fujin
  module Grading
    # A fault that the recording shows: what was seen, when, in numbers.
    FoundFault = Value.define(:id, :evidence, :from_s, :to_s, :measures)
  end
end
