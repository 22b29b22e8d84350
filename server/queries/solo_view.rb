# frozen_string_literal: true

module Fujin
  # Whether a student may be sent alone, with what is missing, and what was allowed so far.
  class SoloView
    # @param student [Person], @param viewer [Person]
    def initialize(student, viewer)
      @student = student
      @viewer = viewer
      @school = School.current
    end

    # @return [Hash] the API's Solo
    def to_h
      {
        'kind' => kind,
        'ready' => readiness.ready?,
        'conditions' => readiness.conditions.map { |one| one.to_h.transform_keys(&:to_s) },
        'authorities' => SoloAuthority.where(student_id: @student.id).order(created_at: :desc)
          .eager_load(:by, :link, withdrawal: :by).map { |row| Serialisers.solo_authority(row, @school.today, marks) }
      }
    end

    def missing = readiness.missing

    private

    def marks = @marks ||= AircraftRow.pluck(:id, :mark).to_h

    # Of what the student flew last, a helicopter where nothing was flown yet.
    def kind = @kind ||= (lessons.any? ? lessons.first.aircraft.type.kind : 'helicopter')

    def lessons
      @lessons ||= Sortie.where(student_id: @student.id).order(starts_at: :desc).with_crew.to_a
    end

    def readiness
      @readiness ||= Solo::Readiness.new(
        needed: Solo::Needed.of(kind, @school.solo[kind]), met: met, blocks: blocks, rides: rides, usual: usual,
        documents: @student.documents.map(&:value), required: @school.booking_rules.required, today: @school.today
      )
    end

    def met
      signed = SignOff.in_force.where(student_id: @student.id).pluck(:manoeuvre)
      signed | shown.standings(signed).select { |one| one['ready'] }.map { |one| one['manoeuvre'] }
    end

    def shown = @shown ||= ShownProgress.new(@student, @viewer)
    def blocks = shown.blocks.select { |one| one.block.solo.include?(kind) }

    # Flown and recorded lessons, by who gave them.
    def rides
      lessons.select(&:on_at).group_by { |one| one.instructor.name }
        .transform_values { |rows| @school.clock.call(rows.map(&:starts_at).max).to_date }
    end

    def usual = lessons.select(&:on_at).map { |one| one.instructor.name }.tally.max_by(&:last)&.first
  end
end
