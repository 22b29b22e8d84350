# frozen_string_literal: true

module Fujin
  # Books, moves, cancels. What cannot be is refused with its reasons; what a limit stands against is booked with a
  # reason that is kept. The database has the last word on who is where.
  class BookingDesk
    FIELDS = %w[kind student_id instructor_id examiner_id aircraft_id from_at to_at note despite].freeze
    MOST_WEEKS = 26
    LOCK = 7_301_986

    # Something stands against it.
    class Clashing < Conflict; end

    def initialize(by, world)
      @by = by
      @world = world
    end

    # @param fields [Hash] with an id of the client's making; 'weeks' repeats it
    # @return [Array<Array(Booking, Array<Bookings::Clash>)>] each with what stood against it; a repeat that could not
    #   be is not stored, and is told by its clashes
    def book(fields)
      existing = Booking.find_by(id: fields['id'])
      return [[existing, []]] if existing

      weeks = (fields['weeks'] || 1).clamp(1, MOST_WEEKS)
      return [one(build(fields), fields['despite'])] if weeks == 1

      standing(fields, weeks)
    end

    # @return [Array<Bookings::Clash>]
    def change(booking, fields)
      there!(booking.tap { |row| row.assign_attributes(fields.slice(*FIELDS)) })
      clashes = allow!(booking, fields['despite'])
      Booking.transaction do
        store(booking)
        follow(booking) if booking.sortie
      end
      AuditEntry.note_changes('booking changed', booking, FIELDS, by: @by, why: fields['despite'])
      clashes
    end

    def cancel(booking, why)
      raise Conflict, 'It has become a lesson: end that one.' if booking.sortie&.on_at

      Booking.transaction do
        booking.update!(state: 'cancelled', cancelled_why: why, cancelled_at: Time.now.utc)
        booking.sortie&.update!(go_decision: 'no_go', go_reason: Text.of('Booking cancelled: %{why}', why: why)[0, 300])
      end
      AuditEntry.note('booking cancelled', booking, by: @by, why: why)
      booking
    end

    # Only looked at.
    # @return [Array<Bookings::Clash>]
    def look(fields) = @world.clashes(build(fields))

    private

    # The lesson that was made of it is flown when, by whom and in what the booking says now.
    def follow(booking)
      lesson = booking.sortie
      raise Conflict, 'It has become a lesson that is flown: set that one right in Record.' if lesson.off_at
      unless booking.student_id == lesson.student_id
        raise Conflict, Text.of('A lesson is prepared for %{student}: cancel it, and book anew.',
                                student: lesson.student.name)
      end

      type = booking.aircraft.type
      wrong = lesson.exercises.map(&:declaration).reject { |one| one.for?(type) }
      if wrong.any?
        raise Conflict, Text.of('%{wrong}: not flown in a %{type}.',
                                wrong: Text.list(wrong.map(&:title).uniq), type: type.kind)
      end

      lesson.update!(starts_at: booking.from_at, instructor_id: booking.instructor_id, aircraft_id: booking.aircraft_id,
                     people_aboard: booking.kind == 'solo' ? 'solo' : 'dual')
      SoloLesson.new(lesson).recall(@by)
    end

    def build(fields) = there!(Booking.new(by: @by, **fields.slice('id', *FIELDS).transform_keys(&:to_sym)))

    # @raise [InvalidInput] for somebody, or an aircraft, that is not here
    def there!(booking)
      missing = { 'student_id' => booking.student, 'instructor_id' => booking.instructor,
                  'aircraft_id' => booking.aircraft }.select { |_, found| found.nil? }.keys
      missing << 'examiner_id' if booking.examiner_id && booking.examiner.nil?
      return booking if missing.empty?

      raise(InvalidInput, missing.map { |path| { path: path, message: 'is not here: choose one of the list' } })
    end

    def one(booking, despite)
      clashes = allow!(booking, despite)
      store(booking)
      [booking, clashes]
    end

    # A week apart by the school's clock: half past two stays half past two when the clocks change.
    def standing(fields, weeks)
      series = SecureRandom.uuid
      (0...weeks).map do |week|
        booking = build(fields.merge('id' => week.zero? ? fields['id'] : SecureRandom.uuid))
        booking.assign_attributes(series_id: series, from_at: later(booking.from_at, week),
                                  to_at: later(booking.to_at, week))
        one(booking, fields['despite'])
      rescue Clashing
        [nil, @world.clashes(booking)]
      end
    end

    def later(time, weeks)
      there = @world.zone.call(time)
      moved = @world.zone.call(time + (weeks * 7 * 86_400))
      time + (weeks * 7 * 86_400) + (there.utc_offset - moved.utc_offset)
    end

    # @raise [Clashing]
    def allow!(booking, despite)
      kind!(booking)
      clashes = @world.clashes(booking)
      cannot = clashes.select { |one| one.level == 'cannot' }
      raise Clashing, Text.list(cannot.map(&:text), ' ') if cannot.any?

      limits = clashes.select { |one| one.level == 'limit' }
      if limits.any? && despite.to_s.strip.length < 3
        raise Clashing, Text.of('%{limits} It can be booked all the same, with a reason that is kept.',
                                limits: Text.list(limits.map(&:text), ' '))
      end

      clashes
    end

    def kind!(booking)
      problems = []
      problems << { path: 'student_id', message: 'expected somebody who learns' } unless booking.student.learner?
      problems << { path: 'instructor_id', message: 'expected an instructor' } unless booking.instructor.instructor?
      unless booking.to_at > booking.from_at
        problems << { path: 'to_at',
                      message: 'expected a time after the beginning' }
      end
      if (booking.kind == 'check') != !booking.examiner_id.nil?
        problems << { path: 'examiner_id', message: 'a check has an examiner, and nothing else has one' }
      end
      raise InvalidInput, problems if problems.any?
    end

    # Somebody else may have been a moment quicker. One is stored at a time: rows that wait for one another's people
    # and aircraft would otherwise wait for ever.
    def store(booking)
      Booking.transaction(requires_new: true) do
        Booking.connection.execute("SELECT pg_advisory_xact_lock(#{LOCK})")
        booking.save!
      end
    rescue ActiveRecord::StatementInvalid => e
      raise unless e.cause.is_a?(PG::ExclusionViolation)

      said = @world.clashes(booking).find { |one| one.level == 'cannot' }&.text
      raise Clashing, said || 'Somebody booked this time a moment ago: look again.'
    end
  end
end
