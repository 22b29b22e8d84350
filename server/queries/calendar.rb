# frozen_string_literal: true

require 'icalendar'

module Fujin
  # Bookings as a calendar that any calendar program reads (RFC 5545), and somebody's own calendar as times away.
  module Calendar
    BACK_DAYS = 30
    # What a calendar may hold, so that nobody waits for it.
    MOST_EVENTS = 2000
    DOMAIN = 'fujin'

    module_function

    # @return [String] everything that this person is in, from a month ago on
    def of(person, now: Time.now.utc)
      calendar = Icalendar::Calendar.new
      calendar.prodid = '-//Fujin//bookings//EN'
      calendar.x_wr_calname = "#{School.current.name}: #{person.name}"
      rows(person, now).each { |row| calendar.add_event(event(row, person)) }
      calendar.publish
      calendar.to_ical
    end

    # Events that end after now become times away; an earlier import is replaced. What repeats is not read.
    # @return [Hash{String => Integer}] taken, and left out because it repeats
    # @raise [InvalidInput]
    def take(person, text, now: Time.now.utc)
      events = read(text)
      once, again = events.partition { |one| one.rrule.empty? }
      coming = once.filter_map { |one| away(one) }.select { |_, to, _| to > now }
      Absence.transaction do
        Absence.where(person_id: person.id, source: 'calendar').delete_all
        coming.each do |from, to, words|
          Absence.create!(person: person, from_at: from, to_at: to, words: words, source: 'calendar')
        end
      end
      { 'taken' => coming.size, 'repeating' => again.size }
    end

    def rows(person, now)
      Booking.where(from_at: (now - (BACK_DAYS * 86_400))..)
        .where(':id IN (student_id, instructor_id, examiner_id)', id: person.id)
        .order(:from_at).with_crew
    end

    def event(row, person)
      Icalendar::Event.new.tap do |event|
        event.uid = "#{row.id}@#{DOMAIN}"
        event.sequence = row.lock_version
        event.dtstamp = stamp(row.updated_at)
        event.dtstart = stamp(row.from_at)
        event.dtend = stamp(row.to_at)
        event.summary = "#{row.aircraft.mark} " \
          "#{person.id == row.student_id ? Text.of('with %{instructor}', instructor: row.instructor.name) : row.words}"
        event.status = row.state == 'cancelled' ? 'CANCELLED' : 'CONFIRMED'
        event.description = [row.note, row.cancelled_why].compact.join("\n") if row.note || row.cancelled_why
      end
    end

    def stamp(time) = Icalendar::Values::DateTime.new(time.utc, 'tzid' => 'UTC')

    def read(text)
      raise wrong('expected a calendar: it begins with BEGIN:VCALENDAR') unless text.to_s.lstrip.start_with?('BEGIN:V' \
        'CALENDAR')

      events = Icalendar::Calendar.parse(text).flat_map(&:events)
      if events.size > MOST_EVENTS
        raise wrong(Text.of('expected at most %{most_events} events, got %{events}',
                            most_events: MOST_EVENTS, events: events.size))
      end

      events
    rescue ArgumentError, NoMethodError => e
      raise wrong(Text.of('is not readable as a calendar: %{message}', message: e.message[0, 80]))
    end

    # Whole days are the school's.
    def away(event)
      return nil unless event.dtstart

      from = moment(event.dtstart)
      to = if event.dtend
             moment(event.dtend)
           else
             from + (event.dtstart.is_a?(Icalendar::Values::Date) ? 86_400 : 3600)
           end
      to > from ? [from, to, (event.summary || 'busy').to_s[0, 120]] : nil
    end

    def moment(value)
      zone = School.current.time_zone
      return TimeZones.moment(zone, value) if value.is_a?(Icalendar::Values::Date)
      return Time.at(value.to_i).utc if value.ical_params['tzid'] || value.value_ical.end_with?('Z')

      TimeZones.moment(zone, value, value.hour, value.minute)
    end

    def wrong(message) = InvalidInput.new([{ path: 'calendar', message: message }])
  end
end
