# frozen_string_literal: true

module Fujin
  module Progress
    # The school's rule for 'ready for sign-off' (docs/reference/standards.md); each number is a setting.
    class Readiness
      DEFAULTS = { attempts: 3, days: 2, critical_window: 5 }.freeze

      attr_reader :conditions

      # @param attempts [Array<GradedAttempt>] of one student and one manoeuvre, in any order
      # @param rule [Hash] overrides for DEFAULTS
      # @param stage [String, nil] that the student is in: attempts held to a milder standard do not show it
      # @param blocks [Array<BlockCount>] that this manoeuvre's sign-off waits for
      def initialize(attempts, rule = {}, stage: nil, blocks: [])
        @stage = stage
        @rule = DEFAULTS.merge(rule)
        @counted = attempts.select { |a| a.counts && !a.trainer && !a.level.nil? }.sort_by(&:flown_at)
        @recent = @counted.last(@rule[:attempts])
        @conditions = [enough, standard, *held, alone, days, critical, *blocks.map(&:condition)].freeze
        freeze
      end

      def ready? = conditions.all?(&:met)
      def missing = conditions.reject(&:met)

      # The attempts that a sign-off would cite.
      def evidence = @recent

      private

      # What is wanted stands there too where nothing of it was flown yet.
      def last(good, wanted) =
        if @recent.empty?
          Text.of('%{wanted}: no counted attempt yet', wanted: wanted)
        else
          Text.of('%{good} of the last %{recent} %{wanted}', good: good, recent: @recent.size, wanted: wanted)
        end

      def condition(id, met, text) = Condition.new(id: id, met: met, text: text)

      def enough
        wanted = @rule[:attempts]
        condition(
          'enough_attempts',
          @recent.size >= wanted,
          Text.of('%{counted} of %{wanted} counted attempts flown',
                  counted: [@counted.size, wanted].min, wanted: wanted)
        )
      end

      def standard
        good = @recent.count(&:to_standard?)
        condition(
          'to_standard',
          @recent.any? && good == @recent.size,
          last(good, Text.of('counted attempts to standard in every phase%{ungraded}', ungraded: ungraded))
        )
      end

      # A phase that nobody graded is not to standard, whatever the others are.
      def ungraded
        phases = @recent.flat_map(&:ungraded).uniq
        phases.empty? ? '' : Text.of('; not graded: %{phases}', phases: Text.list(phases.map { |id| id.tr('_', ' ') }))
      end

      # The last attempts were held to the student's stage, or a stricter one.
      def held
        return [] unless @stage

        wanted = Grading::Standard::STAGES.index(@stage) || 0
        good = @recent.count { |a| (Grading::Standard::STAGES.index(a.stage) || wanted) >= wanted }
        [
          condition(
            'stage',
            @recent.any? && good == @recent.size,
            last(good, Text.of("held to the standard '%{stage}' or a stricter one", stage: @stage))
          )
        ]
      end

      def alone
        good = @recent.count(&:unassisted?)
        condition(
          'unassisted',
          @recent.any? && good == @recent.size,
          last(good, 'flown without help')
        )
      end

      def days
        flown = @recent.map(&:on_day).uniq.size
        condition(
          'different_days',
          flown >= @rule[:days],
          if @recent.empty?
            Text.of('flown on no day yet, at least %{wanted} wanted', wanted: @rule[:days])
          else
            Text.count(flown, one: 'the last %{flights} flown on %{count} day, at least %{wanted} wanted',
                              other: 'the last %{flights} flown on %{count} days, at least %{wanted} wanted',
                              flights: @recent.size, wanted: @rule[:days])
          end
        )
      end

      def critical
        window = @counted.last(@rule[:critical_window])
        bad = window.count(&:critical)
        text =
          if window.empty?
            'no critical measure out of limits so far'
          elsif bad.zero?
            Text.of('no critical measure out of limits in the last %{window}', window: window.size)
          else
            Text.of('a critical measure out of limits in %{bad} of the last %{window}', bad: bad, window: window.size)
          end
        condition('no_critical', bad.zero?, text)
      end
    end
  end
end
