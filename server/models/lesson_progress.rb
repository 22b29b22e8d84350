# frozen_string_literal: true

module Fujin
  # How far a lesson has come, as it is kept: its four stages, what to do next, how many attempts it asked for.
  LessonProgress = Value.define(:stages, :next_step, :attempts) do
    # @param progress [#stages, #next_step, #attempts]
    def self.of(progress)
      new(stages: progress.stages, next_step: progress.next_step, attempts: progress.attempts)
    end

    # @param kept [Hash{String => Object}] as #to_h gave it
    def self.from(kept) = new(**kept.transform_keys(&:to_sym))
  end
end
