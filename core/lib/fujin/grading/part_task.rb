# frozen_string_literal: true

require 'json'

module Fujin
  module Grading
    # An attempt in which the student has one control while the instructor flies the others is judged on that control
    # alone (docs/reference/words.md).
    module PartTask
      TASKS = %w[whole cyclic collective pedals].freeze
      # How an attempt came about; a demonstration is the instructor's own.
      MANNERS = %w[announced surprise demonstration].freeze

      # What each is called, by kind of aircraft (the web client reads the same file).
      CALLED = JSON.parse(File.read(File.expand_path('../../../data/hands.json', __dir__))).freeze

      # Who has what, for the brief and the cockpit.
      # @param task [String] of TASKS, not the whole
      # @param kind [String] of aircraft
      def self.sentence(task, kind)
        Text.of('The student has the %{kind} and nothing else; the instructor flies the rest, and disturbs it.',
                kind: CALLED.fetch(kind).fetch(task))
      end

      # @param task [String] of TASKS
      # @return [Boolean] is this measure the student's to answer for?
      def self.judges?(task, measure_id) = task == 'whole' || Glossary.measure(measure_id).control == task
    end
  end
end
