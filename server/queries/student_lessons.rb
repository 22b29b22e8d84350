# frozen_string_literal: true

module Fujin
  # A student's lessons and what was flown in them, the latest first, a page at a time.
  class StudentLessons
    PAGE_SIZE = 40

    # @param viewer [Person]
    # @param after [String, nil] the cursor of the page before
    # @raise [InvalidInput] for a cursor that is none
    def initialize(student, viewer, after: nil, size: PAGE_SIZE)
      @viewer = viewer
      KeptProgress.freshen([student])
      # One that is planned at this very moment is there at the next reading.
      lessons = Sortie.where(student_id: student.id).joins(:lesson_record).preload(:aircraft, :lesson_record)
      @page = Listed.new(LessonLines.narrow(lessons, viewer), by: %i[starts_at id], after: after, size: size,
                                                              down: true)
    end

    # @return [Hash] the API's StudentLessons
    def to_h
      sorties = @page.rows
      lines = LessonLines.of(sorties, sorties.map(&:aircraft).uniq)
      { 'sorties' => Serialisers.sortie_rows(lines, sorties.to_h { |one| [one.id, one.lesson_record.progress] }),
        # A student's own attempts once they have said their own word on them.
        'history' => sorties.reverse.flat_map { |one| one.lesson_record.recorded(answered: @viewer.learner?) },
        'flights' => sorties.select(&:flight_minutes).map { |one| flight(one) },
        'following' => @page.following }
    end

    private

    def flight(sortie)
      { 'sortie_id' => sortie.id, 'minutes' => sortie.flight_minutes,
        'role' => sortie.training_device ? 'training_device' : sortie.people_aboard }
    end
  end
end
