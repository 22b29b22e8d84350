# frozen_string_literal: true

module Fujin
  module Grading
    # An attempt as a knob reads it: what was recorded, or what the model flew in its place. `course_deg` may be nil.
    FlownAttempt = Value.define(:signals, :proposal, :context, :course_deg) do
      def attempt = proposal.attempt
      # @return [Float, nil] of a measure
      def value(id) = proposal && proposal.measures[id]&.value
      # @return [AboutSpot, nil] nil without a spot
      def about_spot = context.spot && AboutSpot.new(signals, context.spot, course_deg)
    end
  end
end
