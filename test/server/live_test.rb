# frozen_string_literal: true

require_relative '../server_helper'
require_relative '../../devices/flight_recorder'

# A flight recorded as it is flown: readings to whoever watches, what arrived kept when the line drops, stopped on
# request.
class ServerLiveTest < Minitest::Test
  include ServerHelp

  PACE = 60.0

  def setup
    super
    as(@instructor)
    @queue = Fujin::LiveFeed.shared.watch(@sortie.id)
  end

  def teardown
    ENV.delete('FUJIN_RECORDER_PORT')
    @device&.stop
    Fujin::LiveFeed.shared.leave(@sortie.id, @queue)
    super
  end

  def recorder(**options)
    @device = Fujin::Devices::FlightRecorder.new(port: 0, **options)
    Thread.new { @device.run }
    ENV['FUJIN_RECORDER_PORT'] = @device.port.to_s
  end

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

  def record(id = SecureRandom.uuid)
    post_json "/api/sorties/#{@sortie.id}/recordings/live", { id: id, pace: PACE }
    id
  end

  # Two short attempts, where how long it takes is not what is asked.
  def short_flight
    @sortie.exercise.update!(manoeuvre: 'hovering_autorotation')
    @sortie.reload
  end

  # What a watcher hears, until the end of the line; who has heard enough stops the recording.
  # @yield [Hash] each message; true where that is enough
  def watching(id = nil, &enough)
    Thread.new do
      found = []
      until found.last&.key?('ended')
        found << JSON.parse(next_message)
        Fujin::RecordingRow.where(id: id).update_all(step: 'stopping') if enough&.call(found.last)
      end
      found
    end
  end

  def next_message
    loop { @queue.pop.then { |message| return message if message.is_a?(String) } }
  end

  # A lesson of two: the sheet is told which of them the flight shows.
  def test_the_exercise_that_the_flight_shows_is_told
    Fujin::LessonPlan.new(@sortie).add({ 'id' => SecureRandom.uuid, 'manoeuvre' => 'hovering_autorotation' })
    recorder
    id = record
    watcher = watching
    Fujin::RecordLive.run(id, PACE)

    heard = watcher.value

    assert_equal(@sortie.exercises.map(&:id), heard.filter_map { |message| message['exercise'] })
    over = heard.filter_map { |message| message['over'] }

    refute_empty over
    assert_equal [@sortie.exercise.id, 1], over[0].values_at('exercise', 'attempts')
    assert_equal 'Straight-in autorotation', over[0]['title']
    assert_includes 1..4, over[0]['measures'].size
    assert_equal 'the recorder closed the line', heard.last['ended']
    over.each { |one| assert_includes [nil, *0..4], one['grade'] }
  end

  def test_a_flight_is_shown_as_it_comes_and_then_read
    recorder
    id = record

    assert_equal 202, status
    # The first of its three attempts.
    watcher = watching(id) { |message| message.key?('over') }
    # Slow enough that every phase is among what is shown: of a burst only the last is.
    Fujin::RecordLive.run(id, PACE / 3)
    seen = watcher.value
    readings = seen.filter_map { |message| message['reading'] }

    assert_operator readings.size, :>, 20
    assert_includes readings.map { |reading| reading['phase'] }, 'glide'
    calls = readings.filter_map { |reading| reading.dig('gate', 'call') }.uniq

    assert_equal [1, []], [calls.size.clamp(0, 1), calls - %w[ahead continue go_around]]
    gliding = readings.find { |reading| reading['phase'] == 'glide' }

    assert_equal @sortie.exercise.id, gliding['exercise']
    assert_equal %w[ias_kt rotor_rpm_pct sink_fpm], gliding['bands'].keys.sort
    assert_includes gliding['values'].keys, 'power'
    told = seen.filter_map { |message| message['so_far'] }.flatten.map { |line| line['label'] }

    assert_includes told, 'Airspeed in band'
    assert_valid_messages(seen)
    assert_equal 'stopped', seen.last['ended']
    Fujin::ImportRecording.run(id)
    get "/api/recordings/#{id}"

    assert_equal %w[ready live], answer.values_at('status', 'source')
    get "/api/sorties/#{@sortie.id}/attempts"

    assert_includes 1..3, answer.map { |attempt| attempt['manoeuvre'] }.count('straight_in_autorotation')
  end

  # Every message is what the contract says it is.
  def assert_valid_messages(messages)
    known = YAML.load_file(File.expand_path('../../api/openapi.yaml', __dir__)).dig('components', 'schemas')
    allowed = known.dig('LiveMessage', 'properties').keys
    reading = known['LiveReading']
    messages.each { |message| assert_empty message.keys - allowed }
    messages.filter_map { |message| message['reading'] }.each do |one|
      assert_empty reading['required'] - one.keys
      assert_empty one.keys - reading['properties'].keys
    end
  end

  # Ground speed and airspeed, track and heading: the wind that was flown in, near enough to be used.
  def test_the_wind_that_the_drift_shows_is_told
    @sortie.update!(wind_from_deg: 320, wind_kt: 14)
    recorder
    id = record
    watcher = watching(id) { |message| message.key?('wind') }
    Fujin::RecordLive.run(id, PACE)
    winds = watcher.value.filter_map { |message| message['wind'] }.map { |text| Fujin::Wind.parse(text) }

    refute_empty winds
    assert_in_delta 320, winds.last.from_deg, 15
    assert_in_delta 14, winds.last.speed_kt, 3
  end

  # A stretch that no finder can read says nothing; what comes after it does.
  def test_a_look_that_fails_ends_no_watch
    looks = 0
    monitor = Object.new.tap { |one| one.define_singleton_method(:follow) { |_watched| nil } }
    watch = Fujin::FlightWatcher.new(@sortie, 'recording', monitor, Fujin::LessonSetting.new(@sortie))
    watch.instance_variable_get(:@underway).define_singleton_method(:look) do |_meant|
      raise ZeroDivisionError, 'a finder stumbled' if (looks += 1) == 1
    end
    3.times do |second|
      watch.take([{ 't_s' => second.to_f, 'ias_kt' => 60.0, 'agl_ft' => 500.0 }])
      sleep 0.2
    end
    watch.close

    assert_operator looks, :>=, 2
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
