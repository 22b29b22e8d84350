# frozen_string_literal: true

module Fujin
  # Everything around a booking that may stand against it, read from the rows.
  class BookingWorld
    # A lesson that nobody booked is taken to last so long.
    LESSON_MIN = 60
    # So far around are duty and rest looked at.
    AROUND_S = 2 * 86_400

    # @param school [School], @param forecast [Forecast, nil]
    def initialize(school, forecast: nil)
      @school = school
      @rules = school.booking_rules
      @zone = TimeZones.clock(school.time_zone)
      @forecast = forecast
    end

    attr_reader :rules, :zone

    # @param booking [Booking] stored or not
    # @return [Array<Bookings::Clash>]
    def clashes(booking)
      request = request(booking)
      Bookings::Clashes.new(request, booked: booked(booking), rules: @rules, station: @school.station_at, zone: @zone,
                                     forecast: @forecast, authorities: authorities(booking)).to_a + absent(booking)
    end

    # What is booked or planned within a stretch of time, of anybody.
    # @return [Array<Bookings::Booked>]
    def all(from, to, except: nil)
      booked = Booking.standing.between(from, to).where.not(id: except).preload(:student, :instructor, :examiner)
      taken = booked.filter_map(&:sortie_id)
      lessons = Sortie.where(starts_at: (from - (LESSON_MIN * 60))...to).where.not(id: taken).preload(:student)
      booked.map(&:value) + lessons.map { |sortie| lesson(sortie) }
    end

    # What is booked already of those in a lesson that nobody booked.
    # @return [String, nil] in a sentence
    def taken(student:, instructor:, aircraft:, from:)
      slot = Bookings::Slot.new(from: from, to: from + (LESSON_MIN * 60))
      people = [student.id, instructor.id]
      row = Booking.standing.between(slot.from, slot.to).order(:from_at).preload(:student, :instructor, :aircraft)
        .find { |one| one.aircraft_id == aircraft.id || one.people.map(&:id).intersect?(people) }
      row && Text.of('%{mark} is booked from %{from} to %{to}, %{kind}, %{student} with %{instructor}: make the ' \
        'lesson of the booking, or choose another time.',
                     mark: row.aircraft.mark, from: Bookings::Words.clock(row.from_at, @zone),
                     to: Bookings::Words.clock(row.to_at,
                                               @zone),
                     kind: row.kind, student: row.student.name, instructor: row.instructor.name)
    end

    private

    def request(booking)
      Bookings::Request.new(id: booking.id, kind: booking.kind, slot: booking.slot, aircraft: booking.aircraft.value,
                            student: party(booking.student), instructor: party(booking.instructor),
                            examiner: booking.examiner && party(booking.examiner))
    end

    def party(person)
      away = { 'suspended' => 'is suspended', 'left' => 'has left the school' }[person.state]
      Bookings::Party.new(id: person.id, name: person.name, stage: person.stage, away: away,
                          documents: person.documents.map(&:value))
    end

    # Of these people and this aircraft only, also a lesson that this booking has become.
    def booked(booking)
      ids = booking.people.map(&:id)
      around = all(booking.from_at - AROUND_S, booking.to_at + AROUND_S, except: booking.id)
      around.select do |one|
        one.id != booking.sortie_id && (one.aircraft_id == booking.aircraft_id || one.people.intersect?(ids))
      end
    end

    def lesson(sortie)
      from = sortie.off_at || sortie.starts_at
      Bookings::Booked.new(
        id: sortie.id, words: Text.of('lesson of %{student}',
                                      student: sortie.student.name), people: [sortie.student_id, sortie.instructor_id],
        instructs: [sortie.instructor_id], aircraft_id: sortie.aircraft_id, flown: !sortie.on_at.nil?,
        slot: Bookings::Slot.new(from: from, to: sortie.on_at || (from + (LESSON_MIN * 60)))
      )
    end

    def moment(local) = "#{Text.day(local.to_date, year: false)} #{local.strftime('%H:%M')}"

    def absent(booking)
      Absence.between(booking.from_at,
                      booking.to_at).where(person_id: booking.people.map(&:id)).preload(:person).map do |one|
        from, to = [one.from_at, one.to_at].map { |time| moment(@zone.call(time)) }
        Bookings::Clash.new(id: 'absent', level: 'limit',
                            text: Text.of('%{person} is away from %{from} to %{to}: %{words}.',
                                          person: one.person.name, from: from, to: to, words: one.words))
      end
    end

    def authorities(booking)
      return [] unless booking.kind == 'solo'

      SoloAuthority.in_force.where(student_id: booking.student_id).map(&:value)
    end
  end
end
