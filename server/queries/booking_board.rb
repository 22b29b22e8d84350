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
        'aircraft' => AircraftRow.kept.preload(:defects).map { |row| craft(row) },
        'instructors' => Person.present.where(role: Person::INSTRUCTORS).order(:name).map do |one|
          Serialisers.person_name(one)
        end,
        'bookings' => bookings.map { |row| Serialisers.booking(row) },
        'lessons' => lessons,
        'absences' => absences.map { |row| Serialisers.absence(row) },
        'waits' => waits.map { |row| Serialisers.wait(row) }
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

    def craft(row) = { 'id' => row.id, 'mark' => row.mark, 'type_name' => row.type.name, 'kind' => row.type.kind,
                       'grounded' => row.grounded }

    # A student sees their own.
    def bookings
      rows = Booking.between(@from, @to).order(:from_at).with_crew
      learner? ? rows.where(student_id: @viewer.id) : rows
    end

    # What was planned without being booked stands on the board too.
    def lessons
      rows = Sortie.where(starts_at: @from...@to).where.not(id: Booking.where.not(sortie_id: nil).select(:sortie_id))
      rows = rows.where(student_id: @viewer.id) if learner?
      rows.order(:starts_at).with_crew.preload(:exercises).map { |row| lesson(row) }
    end

    def lesson(row)
      { 'id' => row.id, 'from_at' => Serialisers.time(row.starts_at),
        'to_at' => Serialisers.time(row.on_at || (row.starts_at + (BookingWorld::LESSON_MIN * 60))),
        'title' => row.seen_by(@viewer).title, 'student' => Serialisers.person_name(row.student),
        'instructor' => Serialisers.person_name(row.instructor),
        'aircraft' => { 'id' => row.aircraft_id, 'mark' => row.aircraft.mark } }
    end

    def absences
      rows = Absence.between(@from, @to).order(:from_at).preload(:person)
      learner? ? rows.where(person_id: @viewer.id) : rows
    end

    def waits
      rows = Wait.open.where(until_on: @school.today..).preload(:student, :instructor)
      learner? ? rows.where(student_id: @viewer.id) : rows
    end
  end
end
