# frozen_string_literal: true

module Fujin
  # The board of some days: who flies what when, when the sun is up, who is away, who would take a gap.
  class BookingBoard
    MOST_DAYS = 42

    # @param first [Date] by the school's clock, @param days [Integer]
    def initialize(viewer, first, days)
      @viewer = viewer
      @school = School.current
      @first = first
      @days = days.clamp(1, MOST_DAYS)
      @from = @school.midnight(first)
      @to = @school.midnight(first + @days)
    end

    def to_h
      {
        'from' => @first.iso8601,
        'days' => days,
        'aircraft' => aircraft.reject(&:retired_at).map { |row| craft(row) },
        'instructors' => instructors.map { |one| Serialisers.person_name(one) },
        **arranged,
        'lessons' => lessons
      }
    end

    private

    def learner? = @viewer.learner?

    def days
      at = @school.station_at
      (0...@days).map do |i|
        rise, set = Sun.rise_and_set(@first + i, *at)
        { 'day' => (@first + i).iso8601, 'sunrise' => Serialisers.time(rise), 'sunset' => Serialisers.time(set) }
      end
    end

    # Those that are retired, too: they stand in what was flown.
    def aircraft = @aircraft ||= AircraftRow.order(:mark).preload(:defects).to_a

    def instructors
      @instructors ||= Person.asked(:instructors) { Person.present.where(role: Person::INSTRUCTORS).order(:name) }
    end

    def craft(row) = { 'id' => row.id, 'mark' => row.mark, 'type_name' => row.type.name, 'kind' => row.type.kind,
                       'grounded' => row.grounded }

    # Bookings, absences and who waits: whoever is in any of it by one question, but for the instructors, who are known.
    def arranged
      rows = [bookings, absences, waits].map(&:to_a)
      known = [*aircraft, *everybody(rows.flatten)]
      booked, away, waiting = rows.zip([%i[student instructor examiner aircraft], %i[person], %i[student instructor]])
        .map { |some, names| Record.belonging(some, *names, known: known) }
      { 'bookings' => booked.map { |row| Serialisers.booking(row) },
        'absences' => away.map { |row| Serialisers.absence(row) },
        'waits' => waiting.map { |row| Serialisers.wait(row) } }
    end

    def everybody(rows)
      ids = rows.flat_map { |row| row.attributes.values_at('student_id', 'instructor_id', 'examiner_id', 'person_id') }
      others = ids.compact.uniq - instructors.map(&:id)
      others.empty? ? instructors : instructors + Person.asked(:some, others) { Person.where('id = ANY($1)') }
    end

    # A student sees their own.
    def bookings
      rows = Booking.between(@from, @to).order(:from_at)
      learner? ? rows.where(student_id: @viewer.id) : rows
    end

    # What was planned without being booked stands on the board too.
    def lessons
      rows = Sortie.where(starts_at: @from...@to).where.not(id: Booking.where.not(sortie_id: nil).select(:sortie_id))
      rows = rows.where(student_id: @viewer.id) if learner?
      LessonLines.read(rows.order(:starts_at), @viewer, aircraft).map { |line| lesson(line) }
    end

    def lesson(line)
      { 'id' => line.id, 'from_at' => Serialisers.time(line.starts_at),
        'to_at' => Serialisers.time(line.on_at || (line.starts_at + (BookingWorld::LESSON_MIN * 60))),
        'title' => line.title, 'student' => Serialisers.person_name(line.student),
        'instructor' => Serialisers.person_name(line.instructor),
        'aircraft' => { 'id' => line.aircraft.id, 'mark' => line.aircraft.mark } }
    end

    def absences
      rows = Absence.between(@from, @to).order(:from_at)
      learner? ? rows.where(person_id: @viewer.id) : rows
    end

    def waits
      rows = Wait.open.where(until_on: @school.today..)
      learner? ? rows.where(student_id: @viewer.id) : rows
    end
  end
end
