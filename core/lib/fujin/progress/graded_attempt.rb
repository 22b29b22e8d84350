# frozen_string_literal: true

module Fujin
  module Progress
    # One attempt as the record keeps it: when (a date), what the instructor decided on each of its phases (nil on one
    # that nobody graded), how much help, whether it counts, whether a critical measure was out of limits, the stage
    # whose standard it was held to. For counted blocks: did the student do it at all, part-tasks included (`done`),
    # how many controls they had, what the exercise asked (`settings`) and what blocks count by (`measures`, by id).
    GradedAttempt = Value.define(:manoeuvre, :flown_at, :on_day, :grades, :help, :counts, :critical, :trainer, :stage,
                                 :done, :controls, :settings, :measures,
                                 defaults: { trainer: false, stage: nil, done: false, controls: 'three',
                                             settings: {}.freeze, measures: {}.freeze }) do
      # The lowest phase grade; nil when no phase was graded.
      def self.level(grades) = grades.each_value.compact.min
      def level = self.class.level(grades)
      def to_standard? = !level.nil? && grades.values.none?(&:nil?) && level >= 3
      def ungraded = grades.select { |_, grade| grade.nil? }.keys
      def unassisted? = help == 'alone'
    end
  end
end
