# frozen_string_literal: true

module Fujin
  # Works out and keeps what is stale of one student's progress, whole or not at all, one at a time.
  class Keeping
    # @param progress [StudentProgress]
    # @return [Hash] what is kept of where a student stands: KeptStanding's columns
    def self.standing(progress)
      counts = progress.blocks.to_h { |one| [one.block.id, { 'done' => one.done, 'unplaced' => one.unplaced }] }
      { 'standings' => progress.manoeuvres.map { |id| Serialisers.standing(progress, id) },
        'blocks' => counts,
        'reactions' => Serialisers.reactions(progress.flown),
        'unanswered' => progress.flown.any? { |one| !one.answered } }
    end

    # @param student_id [String], @param school [School]
    def initialize(student_id, school)
      @student_id = student_id
      @school = school
    end

    # Kept in the school's language, whoever reads it first.
    def work_out = Text.in(nil) { keep }

    private

    def keep
      Record.transaction do
        # One at a time, so that nobody keeps what was read before another's. Marks are taken before anything else is
        # read: what is written meanwhile has a mark of its own, which the next who reads works out.
        @student = Person.lock('FOR NO KEY UPDATE').find(@student_id)
        marks = ProgressMark.where(student_id: @student.id).pluck(:id, :sortie_id)
        keep_lessons(marks.map(&:last) | KeptProgress.unworked.where(student_id: @student.id).pluck(:id))
        keep_standings
        ProgressMark.where(id: marks.map(&:first)).delete_all
      end
    end

    def keep_lessons(ids)
      outcomes = LessonOutcome.of(Sortie.where(id: ids, student_id: @student.id))
      gone = ids - outcomes.map { |one| one.sortie.id }
      LessonRecord.where(sortie_id: gone, student_id: @student.id).delete_all
      rows = outcomes.map do |one|
        one.kept.merge(sortie_id: one.sortie.id, student_id: @student.id, worked_out_by: KeptProgress.code(@school))
      end
      LessonRecord.upsert_all(rows, unique_by: :sortie_id) if rows.any?
    end

    def keep_standings
      attempts = LessonRecord.where(student_id: @student.id).joins(:sortie).order('sorties.starts_at').flat_map(&:flown)
      progress = StudentProgress.new(@student, attempts: attempts, school: @school)
      KeptStanding.upsert(
        { student_id: @student.id,
          worked_out_by: KeptProgress.rules(@student.stage, @school),
          **self.class.standing(progress) },
        unique_by: :student_id
      )
    end
  end
end
