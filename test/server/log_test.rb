# frozen_string_literal: true

require_relative '../server_helper'

# The log: proposed by the recording, added up, corrected without losing what stood there.
class LogTest < Minitest::Test
  include ServerHelp

  def flown(**more) = sortie(off_at: Time.utc(2026, 11, 25, 10), on_at: Time.utc(2026, 11, 25, 10, 50), **more)

  def test_off_and_on_are_proposed_from_the_recording
    as(@instructor)
    get "/api/sorties/#{@sortie.id}/flight-time"

    assert_nil answer['off_at']
    imported(@sortie, faults: [{}, {}])
    get "/api/sorties/#{@sortie.id}/flight-time"
    row = Fujin::RecordingRow.last
    recording = Fujin::StoredSignals.recording(row)

    if recording.clock_s
      off, on = answer.values_at('off_at', 'on_at').map { |text| Time.iso8601(text).to_f }

      assert_operator off, :>=, recording.clock_s + recording.times.first
      assert_operator on, :<=, recording.clock_s + recording.times.last
      assert_operator on - off, :>, 60
    else
      assert_includes answer['text'], 'no dated clock'
    end
  end

  def test_each_person_s_log_by_kind
    flown
    flown(people_aboard: 'solo', starts_at: Time.utc(2026, 11, 26, 10))
    flown(training_device: true, starts_at: Time.utc(2026, 11, 27, 10))
    as(@student)
    get "/api/people/#{@student.id}/log"

    assert_equal [100, 50, { 'dual' => 50, 'solo' => 50, 'candidate' => 0 }],
                 answer.values_at('total_minutes', 'device_minutes', 'by_kind')
    get "/api/people/#{@student.id}/log.csv"
    rows = CSV.parse(last_response.body, headers: true)

    assert_equal [3, %w[10:00 10:50]], [rows.size, rows[0].values_at('off (UTC)', 'on (UTC)')]
    get "/api/people/#{@instructor.id}/log"

    assert_equal 404, status
    as(@instructor)
    get "/api/people/#{@instructor.id}/log"

    assert_equal 50, answer['total_minutes'], 'who supervises from the ground logs nothing'
  end

  def correct(lesson, **fields)
    put_json "/api/sorties/#{lesson.id}/correction", fields, { 'HTTP_IF_MATCH' => %("#{lesson.reload.lock_version}") }
    status
  end

  def test_a_lesson_of_the_wrong_student_is_set_right_with_all_that_hangs_on_it
    attempt, = imported(@sortie)
    @sortie.update!(off_at: Time.utc(2026, 11, 25, 10), on_at: Time.utc(2026, 11, 25, 10, 50))
    as(@instructor)

    assert_equal 422, correct(@sortie, student_id: @other.id), 'with why'
    assert_equal 200, correct(@sortie, student_id: @other.id, why: 'booked under the wrong name')
    assert_equal([0, 1], [@student, @other].map { |one| Fujin::KeptProgress.attempts(one).size })
    assert_empty Fujin::KeptProgress.differing([@student, @other])
    entry = Fujin::AuditEntry.find_by(what: 'lesson corrected')

    assert_equal [@student.id, @other.id, 'booked under the wrong name'],
                 [entry.was['student_id'], entry.became['student_id'], entry.why]
    assert Fujin::AttemptRow.exists?(attempt.id)
    get "/api/people/#{@other.id}/log"

    assert_equal [50, true], [answer['total_minutes'], answer['entries'][0]['changed']]
  end

  def test_another_aircraft_measures_everything_again
    imported(@sortie)
    before = @sortie.attempts.first.proposal['measures'].to_json
    other = Fujin::AircraftRow.create!(mark: 'Q-BRA', type_id: 'bracken-2')
    as(@instructor)

    assert_equal 200, correct(@sortie, aircraft_id: other.id, why: 'it was the other one')
    work_off

    refute_equal before, @sortie.reload.attempts.first.proposal['measures'].to_json
    gyro = Fujin::AircraftRow.create!(mark: 'Q-GYR', type_id: 'sorrel-g')

    assert_equal 409, correct(@sortie, aircraft_id: gyro.id, why: 'no, that one')
  end

  def test_a_colleague_s_lesson_is_not_mine_to_set_right
    colleague = person('colleague', 'instructor')
    as(colleague)

    assert_equal 403, correct(@sortie, training_device: true, why: 'it was the device')
    as(@chief)

    assert_equal 200, correct(@sortie, training_device: true, why: 'it was the device')
  end

  def change(**fields)
    patch_json "/api/sorties/#{@sortie.id}", fields, { 'HTTP_IF_MATCH' => %("#{@sortie.reload.lock_version}") }
  end

  def test_a_wind_or_a_spot_set_right_after_the_flight_keeps_what_stood_there
    as(@instructor)
    change(wind_kt: 9)

    assert_empty Fujin::AuditEntry.where(subject_kind: 'sortie'), 'before the flight it is planning'
    imported(@sortie)
    change(wind_kt: 14, spot_name: 'Heath, north mark')
    wind, spot = ['lesson', 'straight-in autorotation'].map do |word|
      Fujin::AuditEntry.find_by(what: "#{word} changed after the flight")
    end

    assert_equal [9.0, 14.0], [wind.was['wind_kt'], wind.became['wind_kt']]
    assert_nil spot, 'a name alone is measured by nothing'
    change(spot_lat_deg: 47.2162)
    spot = Fujin::AuditEntry.find_by(what: 'straight-in autorotation changed after the flight')

    assert_in_delta 47.2104, spot.was['spot_lat_deg'], 0.0001
  end

  def test_time_in_a_device_is_in_no_total_of_flight
    flown
    flown(training_device: true, starts_at: Time.utc(2026, 11, 27, 10))
    as(@instructor)
    get "/api/students/#{@student.id}"

    assert_equal 50, answer['total_minutes']
    get "/api/students/#{@student.id}/lessons"

    assert_equal(%w[training_device dual], answer['flights'].map { |one| one['role'] })
  end

  # Three attempts to standard on two days would do; in a device they show nothing.
  def test_what_was_flown_in_a_device_shows_nothing_of_readiness
    attempt, = imported(@sortie)
    grade_all(attempt, @instructor, 'instructor', grade: 3, reason: 'as seen')
    counted = -> { Fujin::KeptProgress.standings([@student])[@student.id].standings[0]['conditions'][0]['text'] }

    assert_includes counted.call, '1 of 3'
    as(@instructor)
    correct(@sortie, training_device: true, why: 'it was the device')

    assert_includes counted.call, '0 of 3'
  end

  def test_a_lesson_that_a_sign_off_rests_on_stays_its_student_s
    attempt, = imported(@sortie)
    sign_off = Fujin::SignOff.create!(id: SecureRandom.uuid, student: @student, by: @chief, created_at: Time.now.utc,
                                      manoeuvre: 'straight_in_autorotation')
    statement = { 'kind' => 'sign_off', 'id' => sign_off.id, 'evidence' => [{ 'attempt_id' => attempt.id }] }
    Fujin::Chain.append(statement, now: Time.now.utc) { sign_off }
    as(@instructor)

    assert_equal 409, correct(@sortie, student_id: @other.id, why: 'wrong name')
    assert_includes answer['detail'], 'withdraw it first'
    Fujin::Withdrawing.new(sign_off, @chief).withdraw(id: SecureRandom.uuid, reason: 'of another student')

    assert_equal 200, correct(@sortie, student_id: @other.id, why: 'wrong name')
  end

  def test_whose_log_it_is
    flown
    as(@other)
    %W[/api/people/#{@student.id}/log /api/people/#{@student.id}/log.csv /api/people/#{@student.id}].each do |path|
      get path

      assert_equal 404, status, path
    end
  end
end
