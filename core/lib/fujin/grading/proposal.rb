# frozen_string_literal: true

module Fujin
  module Grading
    # Everything the recording says of one attempt: measures, faults, proposed grades. The instructor decides.
    # `starts_s`: by phase, what its beginning may be off by in 9 of 10, s.
    Proposal = Value.define(:attempt, :measures, :faults, :grades, :standard_version, :course_deg, :gate_s,
                            :starts_s) do
      def first_fault = faults.first
      def critical? = grades.any?(&:critical)
      def grade_of(phase) = grades.find { |g| g.phase == phase }

      # As a whole: the lowest phase that has a proposal.
      def overall = grades.filter_map(&:grade).min
    end
  end
end
