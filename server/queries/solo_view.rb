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
    def kind = @kind ||= last ? last.aircraft.type.kind : 'helicopter'

    def lessons = Sortie.where(student_id: @student.id)
    def last = @last ||= Sortie.last_of(@student)

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

    # Flown and recorded lessons, by who gave them: how many, and when the last one was.
    # @return [Hash{String => Array(Integer, Time)}]
    def given
      @given ||= lessons.where.not(on_at: nil).joins(:instructor).group('people.name')
        .pluck('people.name', Arel.sql('count(*)'), Sortie.arel_table[:starts_at].maximum)
        .to_h { |name, *told| [name, told] }
    end

    def rides = given.transform_values { |_, latest| @school.day_of(latest) }
    def usual = given.max_by { |_, told| told }&.first
  end
end
