# frozen_string_literal: true

require_relative '../server_helper'
require_relative 'booking_help'

# Bookings on the board: what stands against them, fifty at once, what is said.
class BookingsTest < Minitest::Test
  include ServerHelp
  include BookingHelp

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

  def test_said_in_a_sentence
    post_json '/api/bookings/said', { text: 'book student tomorrow 14:00 for 90 min in Q-TWO wombat' }
    from, to = answer.values_at('from_at', 'to_at').map { |text| Time.iso8601(text) }

    assert_equal [@student.id, @instructor.id, @second.id, 14, 5400, ['wombat']],
                 [*answer.values_at('student_id', 'instructor_id', 'aircraft_id'), from.hour, to - from,
                  answer['not_understood']]
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

    assert_equal [400, %w[duty_max_h]], [status, answer['errors'].map { |one| one['path'] }]
    assert_includes answer['detail'], 'expected a number from 1 to 16, got 40'
    get '/api/booking-rules'

    assert_equal 90, answer['shortest_min'], 'what was refused changed nothing'
    as(@instructor)
    put_json '/api/booking-rules', { shortest_min: 5 }

    assert_equal 403, status
  end

  # Flown in what has gone since: it stands on the board of its day, and nobody can book it.
  def test_a_lesson_in_a_retired_aircraft_stays_on_the_board
    flown = sortie(aircraft: @second, starts_at: DAY + (9 * 3600))
    @second.update!(retired_at: DAY)
    get "/api/bookings?from=#{DAY.to_date}&days=1"

    assert_equal([[flown.id, 'Q-TWO']], answer['lessons'].map { |one| [one['id'], one['aircraft']['mark']] })
    refute_includes answer['aircraft'].map { |one| one['mark'] }, 'Q-TWO'
  end
end
