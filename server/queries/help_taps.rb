# frozen_string_literal: true

module Fujin
  # The cockpit's taps as they count: without the undone ones, by attempt.
  class HelpTaps
    ORDER = %w[alone prompted assisted taken_over].freeze

    def initialize(events)
      undone = events.select { |e| e.kind == 'undo' }.filter_map { |e| e.payload['target'] }
      @all = events
      @undone = undone.to_set
      @live = events.reject { |e| e.kind == 'undo' || @undone.include?(e.id) }
    end

    attr_reader :all, :live

    def undone?(event) = @undone.include?(event.id)
    def of_attempt(number) = live.select { |e| e.attempt_no == number }
    def attempts = live.count { |e| e.kind == 'attempt' }

    # The most help given: over the attempt, or in one phase of it.
    def help(number, phase: nil)
      taps = of_attempt(number).select { |e| e.kind == 'help' && (phase.nil? || e.phase == phase) }
      taps.map { |e| e.payload['value'] }.select { |v| ORDER.include?(v) }.max_by { |v| ORDER.index(v) } || 'alone'
    end

    # How the attempt was said to be flown: the last tap of each counts.
    def manner(number) = said(number, 'manner', Grading::PartTask::MANNERS)
    def task(number) = said(number, 'task', Grading::PartTask::TASKS)

    def said(number, kind, words)
      of_attempt(number).reverse.find { |e| e.kind == kind && words.include?(e.payload['value']) }&.payload&.fetch('value') || words.first
    end
    private :said

    def cockpit_grade(number, phase)
      of_attempt(number).reverse.find { |e| e.kind == 'grade' && e.phase == phase }&.payload&.fetch('grade', nil)
    end
  end
end
