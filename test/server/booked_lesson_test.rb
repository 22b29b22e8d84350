# frozen_string_literal: true

require_relative '../server_helper'
require_relative 'booking_help'

# The lesson that a booking becomes, and what it follows of it.
class BookedLessonTest < Minitest::Test
  include ServerHelp
  include BookingHelp

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

  def test_a_booking_becomes_one_lesson
    id = book[0]['booking']['id']
    2.times { post_json "/api/bookings/#{id}/lesson" }
    sortie = Fujin::Sortie.find(answer['sortie_id'])

    assert_equal [DAY + (10 * 3600), @student.id, 2], [sortie.starts_at, sortie.student_id, Fujin::Sortie.count]
    patch_json "/api/bookings/#{id}", { note: 'bring a jacket' }, { 'HTTP_IF_MATCH' => '"1"' }

    assert_equal 200, status, 'its own lesson is no clash'
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
