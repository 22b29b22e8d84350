# frozen_string_literal: true

module Fujin
  # Sets right what was wrong about a lesson: whose it was, in what, where it counts. What was measured is measured
  # again, and what stood there stays in the audit log.
  class LessonCorrection
    FIELDS = %w[student_id instructor_id aircraft_id starts_at people_aboard training_device off_at on_at].freeze
    # Those that other people's records rest on.
    GRAVE = %w[student_id instructor_id aircraft_id starts_at training_device].freeze

    def initialize(sortie, by)
      @sortie = sortie
      @by = by
    end

    # @param changed [Hash] of FIELDS
    # @yield [Sortie] in the same transaction: to have it measured again
    # @raise [Conflict] when a sign-off rests on it, or the aircraft does not fly it
    def make(changed, why)
      @sortie.assign_attributes(changed.slice(*FIELDS))
      check(why)
      Sortie.transaction do
        @sortie.save!
        AuditEntry.note_changes('lesson corrected', @sortie, FIELDS, by: @by, why: why)
        SoloLesson.new(@sortie.reload).recall(@by)
        yield @sortie
      end
      @sortie
    end

    private

    def check(why)
      grave = @sortie.changed.intersect?(GRAVE)
      if grave && why.to_s.strip.length < 3
        raise InvalidInput,
              [{ path: 'why', message: 'expected a few words on why' }]
      end

      people
      aircraft if @sortie.aircraft_id_changed?
      signed if @sortie.changed.intersect?(%w[student_id training_device])
    end

    def people
      problems = []
      problems << { path: 'student_id', message: 'expected somebody who learns' } unless @sortie.student.learner?
      problems << { path: 'instructor_id', message: 'expected an instructor' } unless @sortie.instructor.instructor?
      raise InvalidInput, problems if problems.any?
    end

    def aircraft
      wrong = @sortie.exercises.map(&:declaration).reject { |one| one.for?(@sortie.aircraft.type) }
      return if wrong.empty?

      raise Conflict, Text.of('%{wrong}: not flown in a %{type}.',
                              wrong: Text.list(wrong.map(&:title).uniq), type: @sortie.aircraft.type.kind)
    end

    # What was signed stands on these attempts being this student's.
    def signed
      ids = @sortie.attempts.map(&:id)
      resting = SignOff.in_force.where(student_id: @sortie.student_id_was).find do |row|
        row.statement['evidence'].any? { |one| ids.include?(one['attempt_id']) }
      end
      return unless resting

      raise Conflict, Text.of('The sign-off for %{find} rests on this lesson: withdraw it first.',
                              find: Catalogue.find(resting.manoeuvre).title.downcase)
    end
  end
end
