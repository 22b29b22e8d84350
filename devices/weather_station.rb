# frozen_string_literal: true

require_relative 'stand_in'

module Fujin
  module Devices
    # A stand-in for the weather station: METAR over HTTP at /metar/XQLM and TAF at /taf/XQLM, the weather drifting
    # slowly through the day and the same for the same hour.
    class WeatherStation
      include StandIn

      STATION = 'XQLM'

      # The report of the last full ten minutes.
      def report
        now = @clock.call
        observed = now - (now.to_i % 600)
        swing = Math.sin(observed.hour / 24.0 * 2.0 * Math::PI)
        from = (350 + (20 * Math.sin(observed.to_i / 9000.0))).round(-1) % 360
        speed = (10 + (4 * swing)).round
        gust = speed > 12 ? "G#{speed + 9}" : ''
        warm = (12 - (4 * swing)).round
        format(
          '%<station>s %<at>sZ %<from>03d%<speed>02d%<gust>sKT 9999 SCT024 BKN040 %<warm>s/%<dew>s Q%<qnh>04d',
          station: STATION,
          at: observed.strftime('%d%H%M'),
          from: from,
          speed: speed,
          gust: gust,
          warm: degrees(warm),
          dew: degrees(warm - 4),
          qnh: 1016
        )
      end

      # What is expected of the next thirty hours, made every six: a shower every afternoon, more wind the next day.
      def forecast
        now = @clock.call
        issued = now - (now.to_i % (6 * 3600))
        noon = Time.utc(issued.year, issued.month, issued.day, 12)
        noon += 86_400 if noon + (5 * 3600) < issued
        format(
          'TAF %<station>s %<at>sZ %<from>s/%<till>s 35010KT 9999 SCT024 BKN040 TEMPO %<noon>s/%<five>s 4000 SHRA ' \
            'BKN012 BECMG %<late>s/%<later>s 36014G20KT',
          station: STATION, at: issued.strftime('%d%H%M'), from: issued.strftime('%d%H'),
          till: (issued + (30 * 3600)).strftime('%d%H'), noon: noon.strftime('%d%H'),
          five: (noon + (5 * 3600)).strftime('%d%H'), late: (issued + (22 * 3600)).strftime('%d%H'),
          later: (issued + (24 * 3600)).strftime('%d%H')
        )
      end

      private

      def degrees(celsius) = celsius.negative? ? format('M%02d', -celsius) : format('%02d', celsius)

      def serve(client)
        line = client.gets(512).to_s
        body = { "GET /metar/#{STATION} " => :report, "GET /taf/#{STATION} " => :forecast }
          .find { |asked, _| line.start_with?(asked) }&.last&.then { |found| "#{public_send(found)}\n" }
        found = !body.nil?
        body ||= "no such station\n"
        client.write(
          "HTTP/1.1 #{found ? '200 OK' : '404 Not Found'}\r\nContent-Type: text/plain\r\nContent-Length: " \
            "#{body.bytesize}\r\nConnection: close\r\n\r\n#{body}"
        )
      rescue Errno::EPIPE, Errno::ECONNRESET
        # The caller hung up.
        nil
      ensure
        client.close
      end
    end
  end
end

if $PROGRAM_NAME == __FILE__
  $stdout.sync = true
  station = Fujin::Devices::WeatherStation.new(port: Integer(ENV.fetch('FUJIN_WEATHER_PORT', '4813')))
  trap('TERM') { exit }
  trap('INT') { exit }
  puts "stand-in weather station on 127.0.0.1:#{station.port}"
  station.run
end
