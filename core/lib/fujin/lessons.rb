# frozen_string_literal: true

module Fujin
  # What was flown, seen as a lesson: the shared grader with the whole catalogue behind it.
  module Lessons
    # What a recording is measured against.
    # @param options see Grading::Context
    # @return [Grading::Context]
    def self.context(**options) = Grading::Context.new(catalogue: Catalogue, **options)
  end
end
