# frozen_string_literal: true

require 'socket'

module Fujin
  # Takes the last flight from the recorder in the aircraft: NMEA 0183 over TCP until it closes the line.
  class RecorderLink
    SILENCE_S = 15

    def initialize(host, port)
      @host = host
      @port = port
    end

    # @return [String] the sentences as they came
    # @raise [UnreadableRecording] when it cannot be reached or falls silent
    def fetch(sortie)
      socket = Socket.tcp(@host, @port, connect_timeout: 5)
      socket.write("#{Recordings::Nmea.sentence(request(sortie))}\r\n")
      read_all(socket)
    rescue SystemCallError, SocketError => e
      raise UnreadableRecording, "The recorder at #{@host}:#{@port} cannot be reached (#{e.message}). Is it switched on? Nothing was changed."
    ensure
      socket&.close
    end

    private

    # Names the flight for the stand-in; a real recorder ignores a sentence it does not know.
    def request(sortie)
      wind = sortie.wind_kt ? format('%d/%d', sortie.wind_from_deg, sortie.wind_kt) : '0/0'
      ['PFJNF', sortie.aircraft.type_id, sortie.people_aboard, wind, sortie.id.delete('-').to_i(16) % 97]
    end

    def read_all(socket)
      bytes = String.new(encoding: Encoding::BINARY)
      loop do
        raise UnreadableRecording, "The recorder fell silent for #{SILENCE_S} s. Nothing was changed." unless socket.wait_readable(SILENCE_S)

        bytes << socket.readpartial(65_536)
        raise UnreadableRecording, 'The recorder sent more than is allowed. Nothing was changed.' if bytes.bytesize > Settings::MAX_UPLOAD_BYTES
      end
    rescue EOFError
      raise UnreadableRecording, 'The recorder holds no flight. Nothing was changed.' if bytes.empty?

      bytes
    end
  end
end
