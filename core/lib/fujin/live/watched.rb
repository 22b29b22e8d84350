# frozen_string_literal: true

module Fujin
  module Live
    # An attempt that is being flown: `exercise` [Lessons::Exercise] that it is one of, the `phase` that goes on and
    # since when by the samples' own clock, `targets` [Planning::Targets] that its standard's rules stand for, and what
    # its measures have come to `so_far` [Array<Grading::Measure>], the farthest out first.
    Watched = Value.define(:exercise, :phase, :since_s, :targets, :so_far) do
      def context = exercise.context
      def manoeuvre = exercise.declaration
    end
  end
end
