# frozen_string_literal: true

require_relative 'recorded_live'

# The line to the recorder of a flight that is recorded as it is flown: what arrived is kept when it drops, and it stops
# on request.
class LiveLineTest < Minitest::Test
  include RecordedLive

  # A line that carries these bytes and then breaks.
  def broken_line(bytes)
    @device = TCPServer.new('127.0.0.1', 0)
    @device.define_singleton_method(:stop) { close }
    Thread.new do
      @device.accept.then { |client| client.gets && client.write(bytes) && client.close }
    end.report_on_exception =
      false
    ENV['FUJIN_RECORDER_PORT'] = @device.addr[1].to_s
  end

  # Two short attempts, where how long it takes is not what is asked.
  def short_flight
    @sortie.exercise.update!(manoeuvre: 'hovering_autorotation')
    @sortie.reload
  end

  # A recorder whose clock is 90 s slow: what was tapped falls where it belongs all the same.
  def test_a_recorder_s_clock_is_laid_over_ours
    recorder(clock: -> { Time.now.utc - 90.0 })
    id = record
    stopper = Thread.new do
      sleep 4.0
      Fujin::RecordingRow.where(id: id).update_all(step: 'stopping')
    end
    Fujin::RecordLive.run(id, 1.0)
    stopper.join

    assert_in_delta 90.0, Fujin::RecordingRow.find(id).clock_behind_s, 0.5
    Fujin::ImportRecording.run(id)

    assert_in_delta 90.0, Fujin::RecordingRow.find(id).summary['clock_s'], 0.5
  end

  # A recorder that was switched off and on again, its clock an hour back: all of it is kept and read.
  def test_a_flight_across_a_restart_is_read_as_one
    short_flight
    recorder(mishaps: 'restart 15')
    id = record
    Fujin::RecordLive.run(id, PACE)
    Fujin::ImportRecording.run(id)
    get "/api/recordings/#{id}"

    assert_equal 'ready', answer['status']
    assert_match(/clock was set back by 3600 s/, answer['summary']['notes'].join)
    # A minute at ten a second; without what was before the restart it would be a quarter less.
    assert_in_delta 598, answer['summary']['rows'], 15
  end

  def test_what_arrived_before_the_line_broke_is_kept
    samples =
      Fujin::Lessons::FlownLesson
        .new(Fujin::Planning::Conditions.build(type: @aircraft.type), faults: [{}], origin: CORE_SPOT)
        .samples
        .first(400)
    broken_line(
      samples
        .map do |sample|
          Fujin::Recordings::Nmea
            .sentences(sample, Time.utc(2026, 11, 25, 12) + sample['t_s'])
            .map { |line| "#{line}\r\n" }
            .join
        end
        .join
    )
    id = record
    Fujin::RecordLive.run(id, PACE)
    row = Fujin::RecordingRow.find(id)

    assert_equal 'waiting', row.status
    assert_includes row.step, 'what arrived is kept'
    record

    assert_equal 202, status, 'while the first is read, the next may begin'
    Fujin::ImportRecording.run(id)

    assert_in_delta 400, Fujin::RecordingRow.find(id).summary['rows'], 1
  end

  def test_it_stops_when_somebody_says_so
    recorder
    id = record
    Fujin::RecordingRow.find(id).update!(status: 'working')
    post_json "/api/recordings/#{id}/stop"

    assert_equal 202, status
    stopper = Thread.new do
      sleep 0.1 until Fujin::RecordingRow.where(id: id).where('length(bytes) > 0').exists?
      Fujin::RecordingRow.where(id: id).update_all(step: 'stopping')
    end
    Fujin::RecordLive.run(id, 1.0)
    stopper.join

    assert_includes Fujin::RecordingRow.find(id).step, 'stopped; what arrived is kept'
  end

  # A demo that is thrown away while it is flown: nobody is left to record for.
  def test_it_stops_when_its_lesson_is_there_no_more
    recorder
    id = record
    worker = Thread.new { work_off }
    next_message
    TestDatabase.own("DELETE FROM recordings WHERE id = '#{id}'")

    assert worker.join(60), 'it goes on recording for nobody'
    refute Fujin::RecordingRow.exists?(id)
  end

  def test_a_sortie_is_recorded_once_at_a_time_and_asking_twice_is_asking_once
    id = record
    record(id)

    assert_equal [202, id], [status, answer['id']]
    record

    assert_equal 409, status
    assert_equal 1, @sortie.recordings.where(source: 'live').count
  end

  # A worker that died between handing over and finishing runs the job again.
  def test_a_flight_that_was_handed_over_is_not_recorded_again
    short_flight
    recorder
    id = record
    Fujin::RecordLive.run(id, PACE)
    kept = Fujin::RecordingRow.where(id: id).pick(Arel.sql('length(bytes)'))
    Fujin::RecordLive.run(id, PACE)

    assert_equal kept, Fujin::RecordingRow.where(id: id).pick(Arel.sql('length(bytes)'))
  end

  def test_a_recorder_that_is_not_there_is_said
    ENV['FUJIN_RECORDER_PORT'] = '1'
    id = record
    Fujin::RecordLive.run(id, PACE)
    get "/api/recordings/#{id}"

    assert_equal 'failed', answer['status']
    assert_includes answer['error'], 'Is it switched on?'
    post_json "/api/recordings/#{id}/stop"

    assert_equal 409, status
  end

  def test_a_recorder_that_sends_nothing_leaves_no_recording
    broken_line("\r\n")
    @device.stop
    id = record
    Fujin::RecordLive.run(id, PACE)

    assert_equal 'failed', Fujin::RecordingRow.find(id).status
  end
end
