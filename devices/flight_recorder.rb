# frozen_string_literal: true

require_relative 'lesson'
require_relative 'mishaps'
require_relative 'stand_in'

module Fujin
  module Devices
    # A stand-in for the recorder in the aircraft: whoever connects by TCP gets the last flight as NMEA 0183
    # sentences, as fast as the line takes them, then the line is closed.
    #
    # The caller may name the flight first with one sentence of our own; without it within a moment the recorder sends
    # its default flight.
    #
    #   $PFJNF,TYPE,PEOPLE,DEG/KT,SEED[,PACE,COURSE,LAT,LON,ELEVATION_FT,EXERCISES]*hh
    #
    # EXERCISES are manoeuvres joined by '+', each with its settings behind colons:
    # `turning_autorotation:turn_deg=180+hovering_autorotation`.
    #
    # `$PFJNL` with the same words asks for the flight as it is flown: each sample is sent when its moment comes, PACE
    # times as fast as real time, and carries the clock's own time at pace 1.
    class FlightRecorder
      include StandIn

      WAIT_S = 0.3
      LONGEST_REQUEST = 1024
      DEFAULT_FLIGHT = ['PFJNF', 'tansy-2', 'dual', '350/8', '1'].freeze
      # Times real time.
      FASTEST = 200.0

      # @param mishaps [String, nil] what goes wrong with a flight that is sent as it is flown, see Mishaps
      def initialize(mishaps: nil, **options)
        super(**options)
        Mishaps.new(mishaps)
        @mishaps = mishaps
      end

      private

      def serve(client)
        words = request(client)
        words&.first == 'PFJNL' ? send_live(client, words) : send_file(client, words || DEFAULT_FLIGHT)
      rescue Errno::EPIPE, Errno::ECONNRESET, Error
        # The caller hung up, or asked for a flight the model cannot fly: nothing more to send.
        nil
      ensure
        client.close
      end

      def request(client)
        line = client.wait_readable(WAIT_S) ? client.gets(LONGEST_REQUEST) : nil
        words = line && Recordings::Nmea.words(line.strip)
        words if words && %w[PFJNF PFJNL].include?(words[0])
      end

      # @return [Lesson::Asked]
      def asked(words)
        _, type, people, wind, seed, _, course, lat, lon, elevation, exercises = words
        more = {
          spot: lat && lon && [lat.to_f, lon.to_f], elevation_ft: elevation&.to_f,
          course_deg: (course.to_f unless course.to_s.empty?), exercises: exercises && exercises_of(exercises)
        }.compact
        Lesson::Asked.new(type: Aircraft::Library.find(type), people: people, wind: wind, seed: seed.to_i, **more)
      end

      def exercises_of(text)
        text.split('+').map do |one|
          id, *settings = one.split(':')
          [id, settings.to_h { |setting| setting.split('=', 2).then { |name, value| [name, number(value)] } }]
        end
      end

      def number(text) = Float(text, exception: false) || text

      def send_live(client, words)
        pace = words[5].to_f.clamp(0.1, FASTEST)
        wanted = asked(words)
        mishaps = Mishaps.new(@mishaps)
        began = @clock.call
        start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        ahead(Lesson.new(wanted).pieces) do |piece|
          piece.each do |sample|
            wait = start + (sample['t_s'] / pace) - Process.clock_gettime(Process::CLOCK_MONOTONIC)
            sleep(wait) if wait.positive?
            mishaps.sent(sample).each { |one| client.write(text(one, wanted.type, began + one['clock_s'])) }
          end
        end
      end

      # While one piece is sent the next is flown.
      def ahead(pieces)
        queue = Thread::SizedQueue.new(1)
        pilot = Thread.new do
          pieces.each { |piece| queue << piece }
        ensure
          queue.close
        end
        pilot.report_on_exception = false
        while (piece = queue.pop)
          yield piece
        end
        pilot.join
      ensure
        pilot&.kill
      end

      def send_file(client, words)
        wanted = asked(words)
        pieces = Lesson.new(wanted).pieces.to_a
        began = @clock.call - pieces.last.last['t_s'] - 600
        pieces.flatten.each { |sample| client.write(text(sample, wanted.type, began + sample['t_s'])) }
      end

      # The wire carries shaft speed, not percent.
      def text(sample, type, time)
        rotor = sample['nr_pct'] && { 'rotor_rpm' => (sample['nr_pct'] * type.normal_rotor_rpm / 100.0).round(2) }
        Recordings::Nmea.sentences(sample.merge(rotor || {}), time).map { |line| "#{line}\r\n" }.join
      end
    end
  end
end

if $PROGRAM_NAME == __FILE__
  $stdout.sync = true
  recorder = Fujin::Devices::FlightRecorder.new(port: Integer(ENV.fetch('FUJIN_RECORDER_PORT', '4811')),
                                                mishaps: ENV.fetch('FUJIN_RECORDER_MISHAPS', nil))
  trap('TERM') { exit }
  trap('INT') { exit }
  puts "stand-in flight recorder on 127.0.0.1:#{recorder.port}"
  recorder.run
end
