# frozen_string_literal: true

module Fujin
  module Progress
    # One rung of a counted block: what is counted, how often, and to which level (core/data/blocks.yml).
    # `setting` and `measure` are Spans of what the exercise asked and what the recording shows; `ask` is the settings
    # that an exercise for it is planned with.
    Rung = Value.define(:words, :wanted, :manoeuvres, :level, :stage, :controls, :setting, :measure, :ask,
                        defaults: { level: nil, stage: nil, controls: nil, setting: nil, measure: nil,
                                    ask: {}.freeze }) do
      # @param attempt [GradedAttempt]
      # @return [Boolean] does it count here?
      def takes?(attempt)
        good?(attempt) && (setting.nil? || setting.cover?(attempt.settings[setting.name])) &&
          (measure.nil? || measure.cover?(attempt.measures[measure.name]))
      end

      # Good enough, but which rung it belongs to was neither asked nor recorded.
      # @return [String, nil] the name of what is not known
      def unknown_in(attempt)
        return unless good?(attempt)
        return setting.name if setting && attempt.settings[setting.name].nil?

        measure.name if measure && attempt.measures[measure.name].nil?
      end

      # Does an exercise that is planned with what it asks for count here?
      def asks_right? = setting.nil? || setting.cover?(ask[setting.name])

      private

      def good?(attempt)
        attempt.done && manoeuvres.include?(attempt.manoeuvre) && level?(attempt) && held?(attempt) &&
          (controls.nil? || attempt.controls == controls)
      end

      def level?(attempt) = level.nil? || (!attempt.level.nil? && attempt.level >= level)

      def held?(attempt)
        return true if stage.nil?

        stages = Grading::Standard::STAGES
        !attempt.stage.nil? && stages.index(attempt.stage) >= stages.index(stage)
      end
    end
  end
end
