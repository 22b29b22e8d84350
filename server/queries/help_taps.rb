# frozen_string_literal: true

module Fujin
  # The cockpit's taps as they count: without the undone ones, by attempt.
  class HelpTaps
    ORDER = %w[alone prompted assisted taken_over].freeze

    # @param events [Array<FlyEvent>] of a lesson, in whatever order they came in
    def initialize(events)
      events = events.sort_by.with_index { |event, i| [event.at, i] }
      undone = events.select { |e| e.kind == 'undo' }.filter_map { |e| e.payload['target'] }
      @all = events
      @undone = undone.to_set
      @live = events.reject { |e| e.kind == 'undo' || @undone.include?(e.id) }
      @numbers = @live.select do |e|
        e.kind == 'attempt'
      end.each_with_index.to_h { |e, i| [e.id, e.attempt_no || (i + 1)] }
    end

    # Which attempt a tap belongs to: by the tap that began it, counted over all devices; older taps say the number.
    # @return [Integer, nil] nil before the first, and for those of an attempt that was taken back
    def number(event)
      return @numbers[event.id] if event.kind == 'attempt'

      event.attempt_id ? @numbers[event.attempt_id] : event.attempt_no
    end

    attr_reader :all, :live

    def undone?(event) = @undone.include?(event.id)
    def of_attempt(wanted) = live.select { |e| number(e) == wanted }
    def attempts = live.count { |e| e.kind == 'attempt' }

    # The most help given: over the attempt, or in one phase of it.
    def help(number, phase: nil)
      taps = of_attempt(number).select { |e| e.kind == 'help' && (phase.nil? || e.phase == phase) }
      taps.map { |e| e.payload['value'] }.select { |v| ORDER.include?(v) }.max_by { |v| ORDER.index(v) } || 'alone'
    end

    # How the attempt was said to be flown: the last tap of each counts, nil when nobody said.
    def manner(number) = said(number, 'manner', Grading::PartTask::MANNERS)
    def task(number) = said(number, 'task', Grading::PartTask::TASKS)

    # How many controls the student had: what was said last, up to this attempt; all of them when nobody said.
    # @return [String] none, one, two, three
    # @param planned [String] task of the exercise
    def controls(wanted, planned = 'whole')
      return 'one' unless (task(wanted) || planned) == 'whole'

      said = live.reverse.find { |e| e.kind == 'control' && (number(e) || 0) <= wanted }
      CONTROLS.fetch(said&.payload&.fetch('value', nil), 'three')
    end
    CONTROLS = { 'following' => 'none', 'one' => 'one', 'two' => 'two' }.freeze

    # What the student had, tap by tap: a control by name where one was named, else the step of the ladder.
    # @return [Array<Grading::Handover>]
    def handovers
      live.select { |e| %w[control task].include?(e.kind) && e.payload['value'] && e.payload['value'] != 'whole' }
        .map { |e| Grading::Handover.new(at_s: e.at.to_f, control: e.payload['value']) }
    end

    # Which exercise was tapped when.
    # @return [Array<Array(Time, String)>]
    def exercises = live.select { |e| e.kind == 'exercise' }.map { |e| [e.at, e.payload['value']] }

    # Each attempt that was tapped, with the exercise that was tapped last before it, the first at the start.
    # @param exercises [Array<Exercise>] of the lesson in their order
    # @return [Array<Array(Integer, Exercise)>]
    def in_exercises(exercises)
      now = exercises.first
      live.each_with_object([]) do |event, found|
        now = exercises.find { |one| one.id == event.payload['value'] } || now if event.kind == 'exercise'
        found << [number(event), now] if event.kind == 'attempt'
      end
    end

    # The control that the student had at a moment, as a part-task; nil when no tap says.
    # @param at_s [Float] since 1970
    def task_at(at_s)
      last = handovers.select { |tap| tap.at_s <= at_s + TAP_LATE_S }.max_by(&:at_s)
      last.control if last && Grading::PartTask::TASKS.include?(last.control)
    end
    TAP_LATE_S = 1.0

    def said(number, kind, words)
      of_attempt(number)
        .reverse
        .find { |e| e.kind == kind && words.include?(e.payload['value']) }
        &.payload
        &.fetch('value')
    end
    private :said

    # What was given for a phase, else for the attempt as a whole.
    def cockpit_grade(number, phase)
      given = of_attempt(number).select { |e| e.kind == 'grade' }
      (given.reverse.find { |e| e.phase == phase } || given.reverse.find { |e| e.phase.nil? })
        &.payload&.fetch('grade', nil)
    end
  end
end
