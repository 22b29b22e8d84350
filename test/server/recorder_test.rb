# frozen_string_literal: true

require_relative '../server_helper'
require_relative '../../devices/flight_recorder'

# The stand-in recorder speaks real NMEA 0183, and the link to it survives what lines do.
class RecorderTest < Minitest::Test
  include ServerHelp

  def setup
    super
    @recorder = Fujin::Devices::FlightRecorder.new(port: 0, clock: -> { Time.utc(2026, 11, 25, 12) })
    @thread = Thread.new { @recorder.run }
  end

  def teardown
    @recorder.stop
    @thread.join
    super
  end

  def sentences(request = nil)
    socket = TCPSocket.new('127.0.0.1', @recorder.port)
    socket.write("#{Fujin::Recordings::Nmea.sentence(request)}\r\n") if request
    socket.read.split("\r\n")
  ensure
    socket&.close
  end

  def test_every_sentence_has_a_good_checksum_and_a_standard_name
    lines = sentences

    assert_operator lines.size, :>, 10_000
    assert(lines.all? { |line| Fujin::Recordings::Nmea.words(line) })
    assert_equal %w[GPGGA GPRMC HEHDT ERRPM YXXDR].sort, lines.map { |line| line[1, 5] }.uniq.sort
  end

  def test_time_moves_on_and_ends_before_now
    times = Fujin::Recordings.read(sentences.join("\n")).times

    assert(times.each_cons(2).all? { |a, b| b > a })
    assert_operator times.last, :<, Time.utc(2026, 11, 25, 12).to_f
  end

  def test_the_flight_can_be_named
    heavy = sentences(['PFJNF', 'bracken-2', 'dual', '200/10', 3])
    recording = Fujin::Recordings.read(heavy.join("\n"))

    assert_in_delta 200, recording['track_deg'].reject(&:nan?).first, 8
    assert_includes recording.channels.keys, 'rotor_rpm'
  end

  def test_a_request_that_cannot_be_flown_gets_an_empty_line_and_no_crash
    assert_empty sentences(['PFJNF', 'no-such-type', 'dual', '200/10', 3])
    refute_empty sentences
  end

  def test_an_empty_answer_is_said
    port = TCPServer.new('127.0.0.1', 0).tap { |server| Thread.new { server.accept.close } }.addr[1]
    error = assert_raises(Fujin::RecorderLink::Unreachable) { Fujin::RecorderLink.new('127.0.0.1', port).fetch(@sortie) }

    assert_match(/sent nothing|cannot be reached|broke/, error.message)
  end

  # As when it is switched off while it sends: asked again, never taken for the flight.
  def test_a_flight_that_is_cut_off_is_not_taken_for_a_whole_one
    flight = "#{sentences.first(50).join("\r\n")}\r\n"
    [flight[0..-9], "#{flight}$GPRMC,120", "#{flight}$GPRMC,120000*00\r\n"].each do |cut|
      assert_raises(Fujin::RecorderLink::Unreachable) { fetched(cut) }
    end

    assert_equal flight, fetched(flight)
  end

  def fetched(bytes)
    server = TCPServer.new('127.0.0.1', 0)
    sending = Thread.new do
      client = server.accept
      client.gets
      client.write(bytes)
      client.close
    end
    Fujin::RecorderLink.new('127.0.0.1', server.addr[1]).fetch(@sortie)
  ensure
    sending.join
    server.close
  end
end
