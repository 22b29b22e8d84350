# frozen_string_literal: true

require 'socket'

module Fujin
  # Takes the last flight from the recorder in the aircraft: NMEA 0183 over TCP until it closes the line.
  class RecorderLink
    # The recorder cannot be reached, or went away in the middle: it may be there again in a while.
    class Unreachable < UnreadableRecording; end

    SILENCE_S = 15

    def initialize(host, port)
      @host = host
      @port = port
    end

    # @return [String] the sentences as they came
    # @raise [Unreachable] when it cannot be reached or falls silent
    def fetch(sortie)
      socket = connect(request(sortie, 'PFJNF'))
      read_all(socket)
    rescue SystemCallError => e
      raise Unreachable,
            Text.of('The line to the recorder at %{host}:%{port} broke (%{message}). Nothing was changed; try again.',
                    host: @host, port: @port, message: e.message)
    ensure
      socket&.close
    end

    # Follows the flight as it is flown, until the recorder closes the line, it falls silent or the block answers :stop.
    # @param pace [Float] times real time, which only the stand-in can do
    # @yield [String, nil] bytes as they came, or nil when a second brought none
    # @return [String] why it ended
    # @raise [Unreachable] when it cannot be reached
    def follow(sortie, pace: 1.0)
      socket = connect(request(sortie, 'PFJNL', pace))
      silent = 0
      loop do
        bytes = socket.wait_readable(1) ? socket.readpartial(65_536) : nil
        silent = bytes ? 0 : silent + 1
        return Text.of('the recorder fell silent for %{silence_s} s', silence_s: SILENCE_S) if silent >= SILENCE_S
        return 'stopped' if yield(bytes) == :stop
      end
    rescue EOFError
      'the recorder closed the line'
    rescue SystemCallError
      'the line dropped'
    ensure
      socket&.close
    end

    private

    def connect(words)
      socket = Socket.tcp(@host, @port, connect_timeout: 5)
      socket.setsockopt(Socket::IPPROTO_TCP, Socket::TCP_NODELAY, 1)
      socket.write("#{Recordings::Nmea.sentence(words)}\r\n")
      socket
    rescue SystemCallError, SocketError => e
      raise Unreachable,
            Text.of('The recorder at %{host}:%{port} cannot be reached (%{message}). Is it switched on? Nothing was ' \
              'changed.',
                    host: @host, port: @port, message: e.message)
    end

    # Names the flight for the stand-in; a real recorder ignores a sentence it does not know.
    def request(sortie, kind, pace = 1.0)
      wind = sortie.wind_kt ? format('%d/%d', sortie.wind_from_deg, sortie.wind_kt) : '0/0'
      setting = SortieSetting.new(sortie)
      exercise = setting.exercise
      [kind, sortie.aircraft.type_id, sortie.people_aboard, wind, sortie.id.delete('-').to_i(16) % 97, pace,
       exercise.course_deg, *(exercise.spot || ['', '']), exercise.elevation_ft,
       sortie.exercises.map { |one| asked(one) }.join('+')]
    end

    # A manoeuvre with its settings.
    def asked(exercise)
      settings = exercise.settings.merge('height_ft' => exercise.height_ft).compact
      [exercise.manoeuvre, *settings.map { |name, value| "#{name}=#{value}" }].join(':')
    end

    def read_all(socket)
      bytes = String.new(encoding: Encoding::BINARY)
      loop do
        unless socket.wait_readable(SILENCE_S)
          raise Unreachable, Text.of('The recorder fell silent for %{silence_s} s. Nothing was changed.',
                                     silence_s: SILENCE_S)
        end

        bytes << socket.readpartial(65_536)
        if bytes.bytesize > Settings::MAX_UPLOAD_BYTES
          raise UnreadableRecording, 'The recorder sent more than is allowed. Nothing was changed.'
        end
      end
    rescue EOFError
      whole(bytes)
    end

    # A recorder that is switched off while it sends closes the line, too: what came then is no flight.
    def whole(bytes)
      if bytes.empty?
        raise Unreachable, 'The recorder sent nothing: it holds no flight, or was switched off. Nothing was changed.'
      end
      return bytes if bytes.end_with?("\n") && Recordings::Nmea.words(bytes.lines.last.strip)

      raise Unreachable,
            'The recorder stopped in the middle of a sentence: its flight is not whole. Nothing was changed.'
    end
  end
end
