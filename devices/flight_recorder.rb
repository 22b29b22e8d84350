# frozen_string_literal: true

require_relative 'stand_in'
require_relative '../core/lib/fujin'

module Fujin
  module Devices
    # A stand-in for the recorder in the aircraft: whoever connects by TCP gets the last flight as NMEA 0183
    # sentences, as fast as the line takes them, then the line is closed.
    #
    # `$PFJNL` with the same words and a pace asks for the flight as it is flown: each sample is sent when its moment
    # comes, that many times as fast as real time, and carries the clock's own time at pace 1.
    #
    # The caller may name the flight first with one sentence of our own, `$PFJNF,TYPE,PEOPLE,DEG/KT,SEED*hh`; without it
    # within a moment the recorder sends its default flight.
    class FlightRecorder
      include StandIn

      SPOT = [47.2104, -14.3320].freeze
      ELEVATION_FT = 62.0
      FAULTS = [{}, { 'late_collective' => 1.4 }, { 'slow_glide' => 12.0 }, { 'weak_flare' => 0.35 }].freeze
      WAIT_S = 0.3
      DEFAULT_FLIGHT = ['tansy-2', 'dual', '350/8', 1].freeze
      # Times real time.
      FASTEST = 200.0

      private

      def serve(client)
        words = request(client)
        if words && words[0] == 'PFJNL'
          send_live(client, words)
        else
          flight_sentences(*flight_of(words)).each { |line| client.write("#{line}\r\n") }
        end
      rescue Errno::EPIPE, Errno::ECONNRESET, Error
        # The caller hung up, or asked for a flight the model cannot fly: nothing more to send.
        nil
      ensure
        client.close
      end

      def request(client)
        line = client.wait_readable(WAIT_S) ? client.gets(256) : nil
        line && Recordings::Nmea.words(line.strip)
      end

      # Type, people, wind and seed asked for.
      def flight_of(words)
        return DEFAULT_FLIGHT unless words && %w[PFJNF PFJNL].include?(words[0])

        [words[1], words[2], words[3], words[4].to_i]
      end

      def send_live(client, words)
        pace = words[5].to_f.clamp(0.1, FASTEST)
        samples, type = lesson(*flight_of(words))
        began = @clock.call
        start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        samples.each do |sample|
          wait = start + (sample['t_s'] / pace) - Process.clock_gettime(Process::CLOCK_MONOTONIC)
          sleep(wait) if wait.positive?
          client.write(
            Recordings::Nmea
              .sentences(with_rotor_rpm(sample, type), began + sample['t_s'])
              .map { |line| "#{line}\r\n" }
              .join
          )
        end
      end

      # Three attempts of a lesson, one after another, each with its own fault.
      def flight_sentences(*flight)
        samples, type = lesson(*flight)
        began = @clock.call - samples.last['t_s'] - 600
        samples.flat_map { |sample| Recordings::Nmea.sentences(with_rotor_rpm(sample, type), began + sample['t_s']) }
      end

      # @return [Array(Array<Hash>, Aircraft::Type)]
      def lesson(type_id, people, wind, seed)
        type = Aircraft::Library.find(type_id)
        conditions =
          Planning::Conditions.build(type: type, people: people, wind: Wind.parse(wind), elevation_ft: ELEVATION_FT)
        [
          Lessons::FlownLesson.new(
            conditions,
            faults: FAULTS.rotate(seed).first(3),
            origin: SPOT,
            elevation_ft: ELEVATION_FT,
            seed: seed
          ).samples,
          type
        ]
      end

      # The wire carries shaft speed, not percent.
      def with_rotor_rpm(sample, type)
        normal = type.fetch('rotor.normal_speed_rad_s') * 60.0 / (2.0 * Math::PI)
        sample.merge('rotor_rpm' => (sample['nr_pct'] * normal / 100.0).round(2))
      end
    end
  end
end

if $PROGRAM_NAME == __FILE__
  $stdout.sync = true
  recorder = Fujin::Devices::FlightRecorder.new(port: Integer(ENV.fetch('FUJIN_RECORDER_PORT', '4811')))
  trap('TERM') { exit }
  trap('INT') { exit }
  puts "stand-in flight recorder on 127.0.0.1:#{recorder.port}"
  recorder.run
end
