# frozen_string_literal: true

require_relative '../server_helper'
require_relative '../../core/test/scripted_flight'

# Recordings in, attempts out: what is found, what is kept when something dies, what is refused.
class ImportTest < Minitest::Test
  include ServerHelp

  def read(recording_id)
    get "/api/recordings/#{recording_id}"
    answer
  end

  def landings = Fujin::AttemptRow.where(manoeuvre: 'straight_in_autorotation')

  def test_an_import_finds_measures_and_grades
    attempts = imported(@sortie, faults: [{}, { 'late_collective' => 1.5 }])

    assert_equal %w[straight_in_autorotation straight_in_autorotation maximum_performance_take_off],
                 attempts.map(&:manoeuvre),
                 'what the lesson was for comes first'
    get "/api/sorties/#{@sortie.id}/attempts"
    assert_equal(
      [[true, nil], [true, 'late_collective'], [false, nil]],
      answer.map { |a| a.values_at('asked', 'first_fault') }
    )
    get "/api/attempts/#{answer.first['id']}/path"

    assert_operator answer['points'].size, :>, 50
    assert_equal 'ready', Fujin::RecordingRow.first.status
  end

  def test_the_same_file_twice_changes_nothing
    imported(@sortie)
    upload(@sortie, recording(@sortie))
    work_off

    assert_equal 202, status
    assert_equal 1, Fujin::RecordingRow.count
    assert_equal 1, @sortie.attempts.count
  end

  def test_a_job_run_again_changes_nothing
    attempts = imported(@sortie)
    2.times { Fujin::ImportRecording.run(Fujin::RecordingRow.first.id) }

    assert_equal attempts.map(&:id), @sortie.reload.attempts.map(&:id)
  end

  def test_two_workers_on_one_recording_store_it_once
    as(@instructor)
    upload(@sortie, recording(@sortie))
    id = answer['id']
    slow = Class.new(Fujin::ImportRecording) do
      def store(row, ...)
        Fujin::ImportRecording.run(row.id)
        super
      end
    end
    slow.run(id)

    assert_equal 'ready', read(id)['status']
    assert_equal 1, Fujin::AttemptRow.count
  end

  # The worker dies where the results are being stored; the next one begins again.
  def test_a_gyroplanes_recording_is_read_and_its_take_off_found
    gyro = Fujin::AircraftRow.create!(mark: 'Q-GYRO', type_id: 'sorrel-g')
    flying = sortie(aircraft: gyro, manoeuvre: 'gyro_take_off', fuel_kg: 20, people_aboard: 'solo')
    flight =
      ScriptedFlight
        .new
        .leg(5, nr_pct: 0.0)
        .leg(20, nr_pct: 62.0)
        .leg(9, gs_kt: 30.0, nr_pct: 90.0)
        .leg(4, gs_kt: 38.0, nr_pct: 100.0, pitch_deg: 9.0)
        .leg(12, gs_kt: 50.0, agl_ft: 70.0, pitch_deg: 4.0)
        .leg(30, gs_kt: 55.0, agl_ft: 400.0)
    as(@instructor)
    upload(flying, flight.csv)
    work_off

    assert_equal(['ready', nil], flying.recordings.first.then { |row| [row.status, row.error] })
    get "/api/sorties/#{flying.id}/attempts?with=measures"

    assert_equal([['gyro_take_off', true]], answer.map { |a| a.values_at('manoeuvre', 'asked') })
    assert_in_delta 46, answer.first['measures']['lift_off_ias_kt']['value'], 4
  end

  def test_a_job_that_dies_in_the_middle_loses_nothing_and_repeats_nothing
    as(@instructor)
    upload(@sortie, recording(@sortie, faults: [{}, { 'late_collective' => 1.5 }]))
    id = answer['id']
    dying = Class.new(Fujin::ImportRecording) do
      def store_attempt(row, position, ...)
        raise Interrupt, 'killed' if position == 1

        super
      end
    end
    assert_raises(Interrupt) { dying.run(id) }

    assert_equal 0, Fujin::AttemptRow.count
    assert_equal 'working', read(id)['status']
    work_off
    assert_equal 'ready', read(id)['status']
    assert_equal 2, landings.count
  end

  def test_a_file_that_is_no_recording_fails_with_the_reason_and_keeps_the_bytes
    as(@instructor)
    upload(@sortie, "Dear diary,\ntoday I flew.\n")
    work_off
    row = read(answer['id'])

    assert_equal 'failed', row['status']
    assert_includes row['error'], 'no known column'
    assert_equal "Dear diary,\ntoday I flew.\n", Fujin::RecordingRow.first.bytes
  end

  def test_an_empty_file_is_refused_at_once
    as(@instructor)
    upload(@sortie, '')

    assert_equal 422, status
    assert_equal 0, Fujin::RecordingRow.count
  end

  def test_a_truncated_file_is_read_and_said
    as(@instructor)
    whole = recording(@sortie)
    # In the middle of a line, wherever lines end in this flight.
    upload(@sortie, whole[0, whole.index("\n", (whole.size * 0.6).to_i) + 20])
    work_off

    assert_includes read(answer['id'])['summary']['notes'].join, 'cut short'
  end

  # A recording is read for a while; the chief writes something about the aircraft meanwhile.
  def test_an_aircraft_that_was_changed_while_its_flight_was_read_is_flagged_all_the_same
    sortie = Fujin::Sortie.find(@sortie.id).tap(&:aircraft)
    @aircraft.update!(recorder: 'flight recorder, 10 Hz')
    passed = Struct.new(:faults).new([Struct.new(:id, :evidence).new('exceeded_limit', 'rotor rpm 116 %')])
    Fujin::ImportRecording.allocate.send(:flag_aircraft, sortie, [passed])

    assert_equal [true, 'flight recorder, 10 Hz'], @aircraft.reload.values_at(:look_at_it, :recorder)
    assert_includes @aircraft.look_at_it_reason, 'rotor rpm 116 %'
  end

  # What an earlier flight passed stays until it is cleared, the same thing once.
  def test_what_is_to_be_looked_at_is_kept_until_it_is_cleared
    ['1 May: rotor rpm 116 %', '2 May: 110 kt', '1 May: rotor rpm 116 %'].each { |why| @aircraft.look_first!(why) }

    assert_equal '1 May: rotor rpm 116 % · 2 May: 110 kt', @aircraft.reload.look_at_it_reason
    @aircraft.update!(look_at_it: false, look_at_it_reason: 'Cleared by Chief: looked at')
    @aircraft.look_first!('3 May: rotor rpm 84 %')

    assert_equal '3 May: rotor rpm 84 %', @aircraft.reload.look_at_it_reason
  end

  def test_without_rotor_rpm_the_rest_is_graded
    as(@instructor)
    rows = recording(@sortie).lines.map { |line| line.chomp.split(',') }
    keep = rows.first.each_index.reject { |i| %w[nr_pct ne_pct].include?(rows.first[i]) }
    upload(@sortie, rows.map { |row| row.values_at(*keep).join(',') }.join("\n") << "\n")
    work_off
    get "/api/sorties/#{@sortie.id}/attempts?with=measures"
    measures = answer.first['measures']

    assert_equal 'not_recorded', measures['min_rotor_rpm_pct']['verdict']
    assert_equal 'polished', measures['glide_ias_mean_kt']['verdict']
    get "/api/attempts/#{answer.first['id']}/strips"
    assert_equal 'not recorded', answer['strips'].find { |s| s['channel'] == 'nr_pct' }['reason']
  end

  def test_from_the_recorder_over_nmea
    require_relative '../../devices/flight_recorder'
    recorder = Fujin::Devices::FlightRecorder.new(port: 0)
    thread = Thread.new { recorder.run }
    ENV['FUJIN_RECORDER_PORT'] = recorder.port.to_s
    as(@instructor)
    post_json "/api/sorties/#{@sortie.id}/recordings/from-recorder", { id: SecureRandom.uuid }
    work_off

    assert_equal 'ready', Fujin::RecordingRow.first.status
    assert_equal 3, landings.count
  ensure
    recorder.stop
    thread.join
    ENV.delete('FUJIN_RECORDER_PORT')
  end
end
