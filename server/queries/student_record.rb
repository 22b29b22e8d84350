# frozen_string_literal: true

module Fujin
  # One student's record but for the lessons (StudentLessons): standing, what comes next, sign-offs, flight time.
  class StudentRecord
    # @param viewer [Person]
    def initialize(student, viewer)
      @student = student
      @shown = ShownProgress.new(student, viewer)
      @sign_offs = SignOff.where(student_id: student.id).in_order.eager_load(:by, :student, :link, withdrawal: :by).to_a
    end

    def to_h
      {
        'id' => @student.id,
        'name' => @student.name,
        'stage' => @student.stage,
        'standings' => @shown.standings(live),
        'blocks' => blocks,
        'advice' => advice,
        'sign_offs' => @sign_offs.map { |s| Serialisers.sign_off(s) },
        'total_minutes' => total_minutes,
        'reactions' => @shown.reactions
      }
    end

    private

    def live = @sign_offs.reject(&:withdrawal).map(&:manoeuvre)

    def total_minutes
      flown = Sortie.where(student_id: @student.id, training_device: false).where.not(off_at: nil).where.not(on_at: nil)
      flown.pluck(:off_at, :on_at).sum { |off, on| Sortie.minutes(off, on) }
    end

    # In what the student flew last, a helicopter where nothing was flown yet.
    def advice
      last = Sortie.last_of(@student)
      @shown
        .advice(kinds: [last ? last.aircraft.type.kind : 'helicopter'], signed: live, today: School.current.today)
        .map { |one| Serialisers.advice(one) }
    end

    # Those that are begun, or that a sign-off of what the student flies waits for.
    def blocks
      flown = @shown.manoeuvres
      @shown.blocks.select { |one| one.begun? || one.block.needed_for.intersect?(flown) }
        .map { |one| Serialisers.block(one) }
    end
  end
end
