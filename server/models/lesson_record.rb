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

    # Those from recordings as a list has them, straight from what is kept: as values of the core, hundreds of them took
    # a third of a page's time.
    # @param answered [Boolean] only those that the learner has said their own word on
    # @return [Array<Hash{String => Object}>]
    def recorded(answered: false)
      attempts.select { |one| one['id'] && (one['answered'] || !answered) }.map { |one| line(one, one['graded']) }
    end

    # @return [Array<KeptAttempt>]
    def flown = attempts.map { |one| KeptAttempt.from(one, sortie_id) }

    private

    def line(kept, graded)
      {
        'attempt_id' => kept['id'],
        'sortie_id' => sortie_id,
        'manoeuvre' => graded['manoeuvre'],
        'on_day' => graded['on_day'],
        'position' => kept['position'] + 1,
        'level' => Progress::GradedAttempt.level(graded['grades']),
        'grades' => graded['grades'].compact,
        'help' => graded['help'],
        'counts' => graded['counts'],
        'critical' => graded['critical']
      }
    end
  end
end
