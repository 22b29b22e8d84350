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
        @recent.empty? ? "#{wanted}: no counted attempt yet" : "#{good} of the last #{@recent.size} #{wanted}"

      def condition(id, met, text) = Condition.new(id: id, met: met, text: text)

      def enough
        wanted = @rule[:attempts]
        condition(
          'enough_attempts',
          @recent.size >= wanted,
          "#{[@counted.size, wanted].min} of #{wanted} counted attempts flown"
        )
      end

      def standard
        good = @recent.count(&:to_standard?)
        condition(
          'to_standard',
          @recent.any? && good == @recent.size,
          last(good, "counted attempts to standard in every phase#{ungraded}")
        )
      end

      # A phase that nobody graded is not to standard, whatever the others are.
      def ungraded
        phases = @recent.flat_map(&:ungraded).uniq
        phases.empty? ? '' : "; not graded: #{phases.join(', ').tr('_', ' ')}"
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
            last(good, "held to the standard '#{@stage}' or a stricter one")
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
          "#{"the last #{@recent.size} " unless @recent.empty?}flown on #{flown} #{flown == 1 ? 'day' : 'days'}, at " \
            "least #{@rule[:days]} wanted"
        )
      end

      def critical
        window = @counted.last(@rule[:critical_window])
        bad = window.count(&:critical)
        text =
          if bad.zero?
            "no critical measure out of limits #{window.empty? ? 'so far' : "in the last #{window.size}"}"
          else
            "a critical measure out of limits in #{bad} of the last #{window.size}"
          end
        condition('no_critical', bad.zero?, text)
      end
    end
  end
end
