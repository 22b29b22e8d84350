# frozen_string_literal: true

require_relative '../server_helper'

# Bookings from the board to the lesson: what stands against them, fifty at once, calendars.
class BookingsTest < Minitest::Test
  include ServerHelp

  DAY = Time.utc(2027, 6, 14)

  def setup
    super
    @school.update!(lat_deg: 47.2, lon_deg: -14.3)
    [@chief, @instructor, @student, @other].each { |one| medical(one) }
    @second = Fujin::AircraftRow.create!(mark: 'Q-TWO', type_id: 'tansy-2')
    as(@instructor)
  end

  def medical(person, till: nil)
    Fujin::PersonDocument.create!(person: person, by: @chief, kind: 'medical', valid_until: till, created_at: DAY)
  end

  def at(hour) = (DAY + (hour * 3600)).iso8601

  def fields(from: 10, to: 11, **more)
    { id: SecureRandom.uuid, kind: 'dual', student_id: @student.id, instructor_id: @instructor.id,
      aircraft_id: @aircraft.id, from_at: at(from), to_at: at(to) }.merge(more)
  end

  def book(**more) = post_json('/api/bookings', fields(**more)) && answer

  def test_booked_once_moved_and_never_over_another
    asked = fields
    2.times { post_json '/api/bookings', asked }

    assert_equal [201, 1], [status, Fujin::Booking.count]
    id = answer[0]['booking']['id']
    book(from: 10.5, to: 11.5, student_id: @other.id, aircraft_id: @second.id)

    assert_equal 409, status
    assert_includes answer['detail'], 'Instructor is booked from 10:00 to 11:00'
    book(from: 11, to: 12, student_id: @other.id)

    assert_equal 201, status
    patch_json "/api/bookings/#{id}", { from_at: (DAY + (10.5 * 3600)).iso8601, to_at: (DAY + (11.5 * 3600)).iso8601 },
               { 'HTTP_IF_MATCH' => '"0"' }

    assert_equal 409, status
    patch_json "/api/bookings/#{id}", { from_at: (DAY + (9 * 3600)).iso8601, to_at: (DAY + (10 * 3600)).iso8601 },
               { 'HTTP_IF_MATCH' => '"0"' }

    assert_equal [200, 9], [status, Time.iso8601(answer['booking']['from_at']).hour]
    patch_json "/api/bookings/#{id}", { note: 'late' }, { 'HTTP_IF_MATCH' => '"0"' }

    assert_equal 409, status, 'read anew first'
  end

  def test_fifty_at_once_make_one_booking
    codes = Array.new(50) do |i|
      Thread.new do
        world = Fujin::BookingWorld.new(Fujin::School.current)
        student = i.even? ? @student : @other
        Fujin::BookingDesk.new(@instructor, world).book(
          JSON.parse(fields(student_id: student.id, aircraft_id: i % 3 == 0 ? @second.id : @aircraft.id,
                            from: 10 + ((i % 5) * 0.1), to: 11 + ((i % 5) * 0.1)).to_json)
        )
        :booked
      rescue Fujin::BookingDesk::Clashing
        :refused
      ensure
        ActiveRecord::Base.connection_handler.clear_active_connections!
      end
    end.map(&:value)

    assert_equal({ booked: 1, refused: 49 }, codes.tally)
    assert_equal [1, 2], [Fujin::Booking.count, Fujin::BookingSeat.count]
  end

  # The database itself, whoever writes: no rule of the application in between.
  def test_the_database_has_the_last_word
    book
    row = Fujin::Booking.first
    twice = row.dup.tap { |one| one.id = SecureRandom.uuid }
    error = assert_raises(ActiveRecord::StatementInvalid) do
      Fujin::Record.transaction(requires_new: true) { twice.save! }
    end

    assert_kind_of PG::ExclusionViolation, error.cause
    seat = { booking_id: row.id, person_id: @student.id, from_at: row.from_at + 60, to_at: row.to_at }
    error = assert_raises(ActiveRecord::StatementInvalid) do
      Fujin::Record.transaction(requires_new: true) { Fujin::BookingSeat.insert!(seat) }
    end

    assert_kind_of PG::ExclusionViolation, error.cause
  end

  def test_a_limit_is_booked_only_with_a_reason
    @instructor.documents.each { |one| one.update!(valid_until: DAY.to_date - 1) }
    book

    assert_equal 409, status
    assert_includes answer['detail'], 'Medical certificate ran out on 13 June 2027'
    book(despite: 'renewed yesterday, paper to follow')

    assert_equal [201, 'renewed yesterday, paper to follow'], [status, answer[0]['booking']['despite']]
    post_json '/api/bookings/look', fields(from: 10, to: 12)

    assert_equal %w[cannot limit], answer.map { |one| one['level'] }.uniq.first(2)
  end

  def test_a_lesson_nobody_booked_and_an_absence_stand_in_the_way
    sortie(starts_at: DAY + (10 * 3600))
    book(student_id: @other.id, aircraft_id: @second.id)

    assert_includes answer['detail'], 'Instructor is booked from 10:00 to 11:00: lesson of Student'
    post_json '/api/absences', { id: SecureRandom.uuid, person_id: @instructor.id, words: 'leave',
                                 from_at: (DAY + (12 * 3600)).iso8601, to_at: (DAY + (20 * 3600)).iso8601 }
    book(from: 13, to: 14)

    assert_equal 409, status
    assert_includes answer['detail'], 'Instructor is away from 14 June 12:00 to 14 June 20:00: leave.'
    post_json '/api/absences', { id: SecureRandom.uuid, person_id: @student.id, words: 'x', from_at: DAY.iso8601,
                                 to_at: (DAY + 60).iso8601 }

    assert_equal 403, status, 'everybody says for themselves'
  end

  def test_an_aircraft_on_the_ground_is_not_booked
    as(@chief)
    put_json "/api/aircraft/#{@aircraft.id}/state", { state: 'grounded', why: 'a chip light' }
    book

    assert_includes answer['detail'], 'Q-TEST does not fly: a chip light'
    put_json "/api/aircraft/#{@aircraft.id}/state", { state: 'flying', why: 'plug cleaned, ground run good' }
    post_json "/api/aircraft/#{@aircraft.id}/defects", { id: SecureRandom.uuid, text: 'oil on the deck', grounds: true }
    book

    assert_includes answer['detail'], 'oil on the deck'
    put_json "/api/aircraft/#{@aircraft.id}/state", { state: 'flying', why: 'looked fine' }

    assert_equal 409, status, 'what is open is cleared first'
    post_json "/api/defects/#{Fujin::Defect.first.id}/clearance", { note: 'seal replaced' }
    post_json "/api/aircraft/#{@aircraft.id}/maintenance",
              { id: SecureRandom.uuid, title: '50 hour check', at_hours: 0.5 }

    assert_equal 'due', answer.find { |one| one['mark'] == 'Q-TEST' }['maintenance'][0]['state']
    book

    assert_includes answer['detail'], 'Q-TEST: 50 hour check is due at 0.5 h, and it would have 1.0 h.'
  end

  def test_a_standing_booking_keeps_its_hour_when_the_clocks_change_and_tells_what_it_left_out
    @school.update!(time_zone: 'Europe/Lisbon')
    taken = Time.utc(2026, 10, 30, 10)
    book(from_at: taken.iso8601, to_at: (taken + 3600).iso8601, student_id: @other.id)
    first = Time.utc(2026, 10, 16, 9)
    book(from_at: first.iso8601, to_at: (first + 3600).iso8601, weeks: 4)
    starts = answer.map { |one| one['booking'] && Time.iso8601(one['booking']['from_at']) }

    assert_equal [first, Time.utc(2026, 10, 23, 9), nil, Time.utc(2026, 11, 6, 10)], starts
    assert_equal 'cannot', answer[2]['clashes'][0]['level']
  end

  def test_a_cancelled_one_frees_its_time_and_is_offered_to_who_waits
    id = book[0]['booking']['id']
    sortie(student: @other, starts_at: Time.utc(2027, 5, 1, 10), off_at: Time.utc(2027, 5, 1, 10),
           on_at: Time.utc(2027, 5, 1, 11))
    [[@other, 14], [@student, 20]].each do |student, day|
      post_json '/api/waits',
                { id: SecureRandom.uuid, student_id: student.id, from_on: "2027-06-#{day}", until_on: '2027-06-30' }
    end
    post_json "/api/bookings/#{id}/cancellation", { why: 'student is ill' }

    assert_equal ['cancelled', ['Other']], [answer['booking']['state'], answer['offers'].map do |one|
      one['student']['name']
    end]
    book(student_id: @other.id)

    assert_equal 201, status
  end

  def test_a_booking_becomes_one_lesson
    id = book[0]['booking']['id']
    2.times { post_json "/api/bookings/#{id}/lesson" }
    sortie = Fujin::Sortie.find(answer['sortie_id'])

    assert_equal [DAY + (10 * 3600), @student.id, 2], [sortie.starts_at, sortie.student_id, Fujin::Sortie.count]
    patch_json "/api/bookings/#{id}", { note: 'bring a jacket' }, { 'HTTP_IF_MATCH' => '"1"' }

    assert_equal 200, status, 'its own lesson is no clash'
  end

  def test_a_student_sees_their_own
    book
    book(student_id: @other.id, from: 12, to: 13)
    get '/api/bookings?from=2027-06-14&days=1'

    assert_equal 2, answer['bookings'].size
    as(@student)
    get '/api/bookings?from=2027-06-14&days=1'

    assert_equal(['Student'], answer['bookings'].map { |one| one['student']['name'] })
    book

    assert_equal 403, status
  end

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

  def test_said_in_a_sentence
    post_json '/api/bookings/said', { text: 'book student tomorrow 14:00 for 90 min in Q-TWO wombat' }
    from, to = answer.values_at('from_at', 'to_at').map { |text| Time.iso8601(text) }

    assert_equal [@student.id, @instructor.id, @second.id, 14, 5400, ['wombat']],
                 [*answer.values_at('student_id', 'instructor_id', 'aircraft_id'), from.hour, to - from,
                  answer['not_understood']]
  end

  def lesson_of(id)
    post_json "/api/bookings/#{id}/lesson"
    Fujin::Sortie.find(answer['sortie_id'])
  end

  def move(id, **more)
    patch_json "/api/bookings/#{id}", more, { 'HTTP_IF_MATCH' => %("#{Fujin::Booking.find(id).lock_version}") }
    status
  end

  def test_the_lesson_follows_its_booking_until_it_is_flown
    id = book[0]['booking']['id']
    lesson = lesson_of(id)

    assert_equal 200, move(id, from_at: at(12), to_at: at(13), aircraft_id: @second.id, instructor_id: @chief.id)
    assert_equal([DAY + (12 * 3600), @second.id, @chief.id],
                 lesson.reload.then { |one| [one.starts_at, one.aircraft_id, one.instructor_id] })
    assert_equal 409, move(id, student_id: @other.id), 'a lesson is prepared for one student'
    gyro = Fujin::AircraftRow.create!(mark: 'Q-GYR', type_id: 'sorrel-g')
    lesson.exercises.first.update!(manoeuvre: 'hover')

    assert_equal 409, move(id, aircraft_id: gyro.id), 'its exercises are not flown in a gyroplane'
    assert_equal @second.id, Fujin::Booking.find(id).aircraft_id, 'and the booking stays with its lesson'
    lesson.update!(off_at: DAY + (12 * 3600), on_at: DAY + (13 * 3600))

    assert_equal 409, move(id, from_at: at(14), to_at: at(15))
    assert_equal DAY + (12 * 3600), Fujin::Booking.find(id).from_at
  end

  def test_a_lesson_whose_booking_is_cancelled_is_not_flown
    id = book[0]['booking']['id']
    lesson = lesson_of(id)
    post_json "/api/bookings/#{id}/cancellation", { why: 'fog' }

    assert_equal(['no_go', 'Booking cancelled: fog'], lesson.reload.then { |one| [one.go_decision, one.go_reason] })
    post_json "/api/bookings/#{id}/cancellation", { why: 'fog again' }

    assert_equal 404, status, 'once'
  end

  def test_a_solo_booking_moved_past_its_authority_asks_again
    today = Time.now.utc.to_date
    Fujin::SoloSigning.new(@student, @instructor).give(
      { 'id' => SecureRandom.uuid, 'exercises' => ['hover'], 'places' => ['Heath'], 'aircraft_ids' => [@aircraft.id],
        'wind_kt' => 10, 'gust_kt' => 15, 'crosswind_kt' => 6, 'visibility_m' => 8000, 'cloud_base_ft' => 1500,
        'daylight_only' => false, 'from' => today.iso8601, 'until' => (today + 30).iso8601, 'despite' => 'shown' }
    )
    lesson = sortie(people_aboard: 'solo', manoeuvre: 'hover', starts_at: today.to_time(:utc) + 86_400,
                    go_decision: 'go')
    booking = Fujin::Booking.create!(kind: 'solo', student: @student, instructor: @instructor, aircraft: @aircraft,
                                     by: @instructor, from_at: lesson.starts_at, to_at: lesson.starts_at + 3600,
                                     sortie: lesson)
    move(booking.id, note: 'bring a jacket', despite: 'early')

    assert_equal 'go', lesson.reload.go_decision
    assert_equal 200, move(booking.id, aircraft_id: @second.id, despite: 'the other one is in use')
    assert_nil lesson.reload.go_decision
  end

  def test_fields_that_do_not_fit_are_named
    { { student_id: @instructor.id } => 'student_id', { instructor_id: @student.id } => 'instructor_id',
      { to_at: at(9) } => 'to_at', { kind: 'check' } => 'examiner_id', { examiner_id: @chief.id } => 'examiner_id' }
      .each do |wrong, path|
        book(**wrong)

        assert_equal [422, path], [status, answer['errors'][0]['path']], wrong
      end
    book(kind: 'check', examiner_id: @chief.id)

    assert_equal [201, 3], [status, Fujin::BookingSeat.count]
  end

  def test_the_rules_are_the_school_s_and_say_what_they_refuse
    as(@chief)
    put_json '/api/booking-rules', { shortest_min: 90 }
    book

    assert_includes answer['detail'], '1 h is no lesson here: from 90 min to 4 h.'
    assert_equal 409, status
    put_json '/api/booking-rules', { duty_max_h: 40, rest_min_h: 1 }

    assert_equal [422, %w[duty_max_h rest_min_h]], [status, answer['errors'].map { |one| one['path'] }]
    get '/api/booking-rules'

    assert_equal 90, answer['shortest_min'], 'what was refused changed nothing'
    as(@instructor)
    put_json '/api/booking-rules', { shortest_min: 5 }

    assert_equal 403, status
  end

  def test_a_lesson_is_not_planned_over_a_booking
    book
    plan = ->(**more) {
      post_json '/api/sorties', { id: SecureRandom.uuid, student_id: @other.id, aircraft_id: @second.id,
                                  starts_at: at(10.5), manoeuvre: 'hover' }.merge(more)
      status
    }

    assert_equal 409, plan.call, 'the instructor is in it'
    assert_includes answer['detail'], 'Q-TEST is booked from 10:00 to 11:00, dual, Student with Instructor'
    assert_equal 201, plan.call(starts_at: at(11))
    as(@chief)

    assert_equal 201, plan.call, 'nobody and nothing of it is'
    assert_equal 409, plan.call(aircraft_id: @aircraft.id)
  end
end
