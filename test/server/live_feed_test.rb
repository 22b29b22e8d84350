# frozen_string_literal: true

require_relative '../server_helper'
require 'puma'
require 'puma/server'

# A flight on its way to whoever follows it: no thread each, bounded, ended with the session, nothing of another's.
class LiveFeedTest < Minitest::Test
  include ServerHelp

  def setup
    super
    as(@instructor)
  end

  # @yield [IO] what a browser reads, while somebody with this session follows the sortie
  def following(session = Fujin::PersonSession.begin(@instructor, address: '127.0.0.1', device: 'test'))
    browser, server = UNIXSocket.pair
    watcher = Fujin::LiveFeed.shared.watch(@sortie.id, Fujin::LiveWatcher.new(session.id, session.person))
    watcher.take(server)
    browser.gets("\n\n")
    yield browser, session
  ensure
    Fujin::LiveFeed.shared.leave(@sortie.id, watcher)
    [browser, server].each { |io| io.close unless io.closed? }
  end

  def next_event(browser)
    loop do
      text = browser.gets("\n\n")
      return text unless text == ": alive\n\n"
    end
  end

  # The stream that a browser reads: an event a reading, and nothing of another sortie.
  def test_the_stream_carries_this_sorties_readings_only
    other = sortie
    following do |browser|
      Fujin::LiveFeed.publish(other.id, 'recording' => 'x', 'reading' => {})
      Fujin::LiveFeed.publish(@sortie.id, 'recording' => 'y', 'reading' => { 'phase' => 'glide' })

      assert_match(/\Adata: .*"phase":"glide".*\n\n\z/, next_event(browser))
    end
  end

  # By a web server as it runs: no length is said, so that nobody between takes the stream for over.
  def test_a_browser_is_sent_the_stream_for_as_long_as_it_reads
    get '/api/session'
    server = Puma::Server.new(app, nil, min_threads: 1, max_threads: 2, log_writer: Puma::LogWriter.null)
    port = server.add_tcp_listener('127.0.0.1', 0).addr[1]
    server.run
    line = TCPSocket.new('127.0.0.1', port)
    line.write("GET /api/sorties/#{@sortie.id}/live HTTP/1.1\r\nHost: localhost\r\n" \
      "Cookie: #{last_request.env['HTTP_COOKIE']}\r\n\r\n")
    head = line.gets("\r\n\r\n").downcase

    assert_includes head, 'text/event-stream'
    refute_includes head, 'content-length'
    refute_includes head, 'content-encoding'
    assert_equal ": here\n\n", line.gets("\n\n")
    Fujin::LiveFeed.publish(@sortie.id, 'recording' => 'y', 'reading' => { 'phase' => 'glide' })

    assert_includes next_event(line), '"phase":"glide"'
  ensure
    line&.close
    server&.stop(true)
  end

  def test_the_stream_ends_with_the_session
    following do |browser, session|
      session.update!(ended_at: Time.now.utc)

      assert_nil next_event(browser)
    end
  end

  # Somebody who reads nothing holds up nobody: what they do not take is lost to them.
  def test_one_who_does_not_read_holds_nobody_up
    long = { 'recording' => 'y', 'reading' => { 'phase' => 'x' * 4000 } }
    following do |_asleep, _|
      following do |browser|
        reader = Thread.new { nil until next_event(browser).include?('"last"') }
        120.times { Fujin::LiveFeed.publish(@sortie.id, long) }
        Fujin::LiveFeed.publish(@sortie.id, 'recording' => 'last', 'reading' => {})

        assert reader.join(20), 'the one who reads was held up'
      end
    end
  end

  def test_nobody_follows_more_flights_than_is_fair
    session = Fujin::PersonSession.begin(@instructor, address: '127.0.0.1', device: 'test')
    watchers = Array.new(Fujin::LiveFeed::EACH) do
      Fujin::LiveFeed.shared.watch(@sortie.id, Fujin::LiveWatcher.new(session.id, session.person))
    end
    get "/api/sorties/#{@sortie.id}/live"

    assert_equal 429, status
    assert_match(/close one of those pages/, answer['detail'])
  ensure
    watchers.each { |one| Fujin::LiveFeed.shared.leave(@sortie.id, one) }
  end

  def test_a_student_watches_only_his_own
    as(@other)
    get "/api/sorties/#{@sortie.id}/live"

    assert_equal 404, status
  end

  # Whoever went away before the connection was handed over is not counted for ever.
  def test_one_who_never_took_the_connection_is_let_go
    session = Fujin::PersonSession.begin(@instructor, address: '127.0.0.1', device: 'test')
    watcher = Fujin::LiveFeed.shared.watch(@sortie.id, Fujin::LiveWatcher.new(session.id, session.person))
    watcher.instance_variable_set(:@asked_at, -Fujin::LiveWatcher::TAKEN_WITHIN_S)
    Fujin::LiveFeed.shared.send(:let_go)

    assert_predicate watcher, :gone?
    refute_includes Fujin::LiveFeed.shared.instance_variable_get(:@watchers)[@sortie.id], watcher
  end

  # Its grade and how it went are theirs after their own word.
  def test_a_learner_is_told_no_grade_of_a_flight
    session = Fujin::PersonSession.begin(@student, address: '127.0.0.1', device: 'test')
    following(session) do |browser|
      Fujin::LiveFeed.publish(@sortie.id, 'recording' => 'x', 'over' => { 'grade' => 1 }, 'so_far' => [],
                                          'wind' => '350/8')
      told = JSON.parse(next_event(browser).delete_prefix('data: '))

      assert_equal %w[recording sortie wind], told.keys.sort
    end
  end
end
