# frozen_string_literal: true

module Fujin
  # What the day brings beside its lessons: what is booked and not prepared yet, who has not flown for long, and the one
  # thing that this person does next.
  class DayAhead
    # How long without a lesson is worth a line, days; and how many are named.
    LONG_DAYS = 14
    NAMED = 6
    LAST_FLOWN = <<~SQL.squish
      LEFT JOIN (SELECT student_id, max(starts_at) AS flown_at FROM sorties WHERE on_at IS NOT NULL GROUP BY student_id)
      AS last ON last.student_id = people.id
    SQL

    # @param viewer [Person], @param date [Date]
    # @param lessons [Array<LessonLines::Line>] of the day, as this person sees them
    # @param progress [Hash{String => LessonProgress}] of them
    # @param fleet [Array<AircraftRow>] every aircraft
    def initialize(viewer, date, lessons, progress, fleet)
      @viewer = viewer
      @date = date
      @lessons = lessons
      @progress = progress
      @fleet = fleet
      @school = School.current
    end

    def to_h
      { 'bookings' => bookings.map { |row| Serialisers.booking(row) },
        'due' => @viewer.learner? ? [] : due, 'next' => next_words }
    end

    private

    def bookings
      @bookings ||= begin
        rows = Booking.standing.between(*today).where(sortie_id: nil).order(:from_at)
        rows = rows.where(student_id: @viewer.id) if @viewer.learner?
        Booking.belonging(rows, :student, :instructor, :examiner, :aircraft, known: @fleet)
      end
    end

    def due
      coming = [Booking.standing.where(from_at: Time.now.utc..), Sortie.where(starts_at: Time.now.utc..)]
      waiting = coming.reduce(Person.students.where(suspended_at: nil)) do |people, rows|
        people.where.not(id: rows.where.not(student_id: nil).select(:student_id))
      end
      long = @date - LONG_DAYS + 1
      waiting.joins(LAST_FLOWN).where('last.flown_at IS NULL OR last.flown_at < ?', @school.midnight(long))
        .reorder(Arel.sql('last.flown_at NULLS FIRST, people.name')).limit(NAMED)
        .select('people.*, last.flown_at AS flown_at')
        .map { |one| { 'student' => Serialisers.person_name(one), 'text' => flown_words(one.flown_at) } }
    end

    def flown_words(flown)
      return 'has not flown yet, and nothing is booked' unless flown

      Text.of('flew last %{date} days ago, and nothing is booked', date: (@date - @school.day_of(flown)).to_i)
    end

    # The first thing of the day that waits for this person.
    def next_words
      booking = bookings.find { |row| @viewer.learner? || row.instructor_id == @viewer.id }
      lesson = coming_lesson
      first = [booking && [booking.from_at, booking_words(booking)], lesson && [lesson.starts_at, lesson_words(lesson)]]
        .compact.min_by(&:first)
      return first.last if first

      if @viewer.learner?
        'Nothing is booked for you: ask your instructor for a lesson.'
      else
        'No lesson of yours waits today.'
      end
    end

    def today = [@school.midnight(@date), @school.midnight(@date + 1)]

    def coming_lesson
      mine = @viewer.learner? ? :student_id : :instructor_id
      @lessons.find { |row| row.on_at.nil? && row.public_send(mine) == @viewer.id }
    end

    def clock(time) = @school.clock.call(time).strftime('%H:%M')

    def booking_words(row)
      who = @viewer.learner? ? Text.of('with %{instructor}', instructor: row.instructor.name) : row.student.name
      act = @viewer.learner? ? 'read up on what comes' : 'prepare it'
      Text.of('%{clock} in %{mark}, %{who}: %{act}.',
              clock: clock(row.from_at), mark: row.aircraft.mark, who: who, act: act)
    end

    def lesson_words(row)
      who = @viewer.learner? ? Text.of('with %{instructor}', instructor: row.instructor.name) : row.student.name
      step = @progress.fetch(row.id).next_step unless @viewer.learner?
      "#{clock(row.starts_at)}, #{who}: #{row.title}.#{" #{step}." if step}"
    end
  end
end
