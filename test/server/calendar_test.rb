# frozen_string_literal: true

require_relative '../server_helper'
require_relative 'booking_help'

# Bookings in other programs' calendars, and theirs as times away.
class CalendarTest < Minitest::Test
  include ServerHelp
  include BookingHelp

  # Read by what RFC 5545 says and nothing of ours: lines unfolded, one event each, times in UTC.
  def test_the_calendar_is_what_a_calendar_program_reads
    book(note: 'Crosswind; bring a jacket, gloves and a torch because it is a long walk to the far end of the strip')
    cancelled = book(from: 13, to: 14)[0]['booking']['id']
    post_json "/api/bookings/#{cancelled}/cancellation", { why: 'fog' }
    post_json '/api/me/calendar'
    path = URI(answer['address']).path
    clear_cookies
    get path

    assert_equal [200, 'text/calendar;charset=utf-8'], [status, last_response['content-type']]
    raw = last_response.body

    assert(raw.split("\r\n").all? { |line| line.bytesize <= 75 })
    lines = raw.gsub("\r\n ", '').split("\r\n")

    assert_equal ['BEGIN:VCALENDAR', 'END:VCALENDAR'], [lines.first, lines.last]
    assert_equal 2, lines.count('BEGIN:VEVENT')
    assert_includes lines, 'DTSTART:20270614T100000Z'
    assert_includes lines, 'DTEND:20270614T110000Z'
    assert_equal %w[CANCELLED CONFIRMED], lines.grep(/\ASTATUS:/).map { |line| line.delete_prefix('STATUS:') }.sort
    assert(lines.any? { |line| line.include?('Crosswind\; bring a jacket\, gloves') })
    as(@instructor)
    custom_request('DELETE', '/api/me/calendar', {}, { 'HTTP_X_CSRF_TOKEN' => @token })
    get path

    assert_equal 404, status, 'revoked'
  end

  def test_somebody_s_own_calendar_becomes_times_away
    text = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//y//EN',
            'BEGIN:VEVENT', 'UID:1', 'DTSTAMP:20270101T000000Z', 'DTSTART:20270614T093000Z', 'DTEND:20270614T103000Z',
            'SUMMARY:Dentist', 'END:VEVENT',
            'BEGIN:VEVENT', 'UID:2', 'DTSTAMP:20270101T000000Z', 'DTSTART;VALUE=DATE:20270615',
            'DTEND;VALUE=DATE:20270617', 'SUMMARY:Leave', 'END:VEVENT',
            'BEGIN:VEVENT', 'UID:3', 'DTSTAMP:20270101T000000Z', 'DTSTART:20270101T093000Z', 'RRULE:FREQ=WEEKLY',
            'SUMMARY:Choir', 'END:VEVENT', 'END:VCALENDAR', ''].join("\r\n")
    2.times { post_json '/api/me/calendar/away', { calendar: text } }

    assert_equal({ 'taken' => 2, 'repeating' => 1 }, answer)
    assert_equal 2, Fujin::Absence.count, 'a second reading replaces the first'
    book

    assert_includes answer['detail'], 'Dentist'
    assert_equal([Time.utc(2027, 6, 15), Time.utc(2027, 6, 17)],
                 Fujin::Absence.find_by(words: 'Leave').then { |one| [one.from_at, one.to_at] })
    post_json '/api/me/calendar/away', { calendar: 'nothing of the kind' }

    assert_equal 422, status
  end
end
