# frozen_string_literal: true

require_relative 'recorded_live'

# A flight recorded as it is flown: readings to whoever watches, what is found in it, the wind.
class ServerLiveTest < Minitest::Test
  include RecordedLive

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
    Fujin::ImportRecording.run(id)
    get "/api/sorties/#{@sortie.id}/attempts"

    meant = @sortie.exercises.map(&:manoeuvre)

    assert_equal([2, 2], meant.map { |kind| answer.count { |attempt| attempt['manoeuvre'] == kind } })
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
    watcher = watching(id) { |message| message.key?('over') }
    Fujin::RecordLive.run(id, PACE)
    winds = watcher.value.filter_map { |message| message['wind'] }.map { |text| Fujin::Wind.parse(text) }

    refute_empty winds
    winds.each do |wind|
      assert_in_delta 320, wind.from_deg, 15
      assert_in_delta 14, wind.speed_kt, 3
    end
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
end
