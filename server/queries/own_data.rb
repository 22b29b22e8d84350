# frozen_string_literal: true

module Fujin
  # Everything that is kept of one person, for that person.
  class OwnData
    # What would let somebody else in.
    SECRET = %w[password_digest second_factor recovery_codes calendar_digest].freeze

    def initialize(person)
      @person = person
    end

    def to_h
      {
        'person' => @person.fields(*(Person.column_names - SECRET)),
        'documents' => PersonDocument.where(person_id: @person.id).map(&:attributes),
        'sessions' => PersonSession.where(person_id: @person.id).map(&:attributes),
        'seen_by' => RecordView.where(person_id: @person.id).preload(:viewer).map do |row|
          Serialisers.record_view(row)
        end,
        'changes' => AuditEntry.where(subject_kind: 'person', subject_id: @person.id).preload(:by)
          .map { |row| Serialisers.audit_entry(row) },
        'record' => (record if @person.learner?),
        'attempts' => attempts,
        'sign_offs' => SignOff.where(student_id: @person.id).in_order.map { |row| row.link.parsed }
      }
    end

    private

    # With all lessons on one page.
    def record
      lessons = StudentLessons.new(@person, @person, size: @person.sorties_flown.count).to_h
      StudentRecord.new(@person, @person).to_h.merge(lessons.except('following'))
    end

    def attempts
      AttemptRow.joins(:sortie).where(sorties: { student_id: @person.id })
        .preload(:exercise, :grades, :fault_calls, sortie: :student).find_each.map do |row|
        # What is not theirs to see yet is theirs after their own word.
        given = row.grades.select { |one| one.kind == 'self' || !HeldBack.from?(@person, row) }
        row.fields('id', 'sortie_id', 'manoeuvre', 'start_s', 'end_s', 'counts', 'void_reason')
          .merge('grades' => given.map { |one| one.fields('phase', 'kind', 'grade', 'reason', 'created_at') })
      end
    end
  end
end
