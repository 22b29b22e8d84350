# frozen_string_literal: true

module Fujin
  module Grading
    # An attempt in which the student has one control while the instructor flies the others is judged on that control
    # alone (docs/reference/words.md).
    module PartTask
      TASKS = %w[whole cyclic collective pedals].freeze
      # How an attempt came about; a demonstration is the instructor's own.
      MANNERS = %w[announced surprise demonstration].freeze

      # @param task [String] of TASKS
      # @return [Boolean] is this measure the student's to answer for?
      def self.judges?(task, measure_id) = task == 'whole' || Glossary.measure(measure_id).control == task
    end
  end
end
