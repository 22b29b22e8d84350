# frozen_string_literal: true

require_relative 'record'
require_relative 'kept_attempt'
require_relative 'lesson_progress'

module Fujin
  # What a lesson adds to its student's record, kept: LessonOutcome worked it out.
  class LessonRecord < Record
    self.primary_key = 'sortie_id'
    belongs_to :sortie, class_name: 'Fujin::Sortie', inverse_of: :lesson_record

    # What LessonOutcome gave, as it is kept.
    def kept = fields('progress', 'attempts')

    # @return [LessonProgress]
    def progress = LessonProgress.from(super)

    # @return [Array<KeptAttempt>]
    def flown = attempts.map { |one| KeptAttempt.from(one, sortie_id) }
  end
end
