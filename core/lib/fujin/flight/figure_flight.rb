# frozen_string_literal: true

module Fujin
  module Flight
    # A flight along a line over the ground at one airspeed in a wind, as a recorder with ordinary noise would show it:
    # heading by the drift, bank by the curve. The line is a list of places along and across a course through the spot,
    # feet.
    class FigureFlight
      Q = Quantities
      STEP_S = 0.1
      # So many times as long as its first piece is the way straight into a figure, that it is not all there is. Chosen.
      LED_IN = 6.0

      # @param line [Array<Array(Float, Float)>] of a figure
      # @return [Array(Float, Float)] where a way straight into it begins
      def self.before(line)
        from, to = line.first(2)
        from.zip(to).map { |a, b| a - (LED_IN * (b - a)) }
      end

      # @param line [Array<Array(Float, Float)>], @param origin [Array(Float, Float)] latitude and longitude of the spot
      # @param wind [Wind], @param air_kt [Float] true airspeed
      def initialize(line, origin:, course_deg:, wind:, air_kt: 70.0, agl_ft: 800.0, seed: 1)
        @map = LocalMap.new(*origin)
        @line = line
        @course = course_deg
        @wind = wind
        @air_kt = air_kt
        @agl_ft = agl_ft
        @random = Random.new(seed)
      end

      # @return [Array<Hash{String => Float}>] by channel name, ten a second
      def samples = @samples ||= fly

      # @return [String] in the recording format
      def csv
        "#{samples.first.keys.join(',')}\n#{samples.map { |row| row.values.join(',') }.join("\n")}\n"
      end

      private

      # Walks the line by the ground speed of each moment.
      def fly
        way = 0.0
        last = nil
        rows = []
        while (place = at(way))
          track = heading_of(place, at(way + 3.0) || place)
          track = last if track.nil?
          ground = @wind.groundspeed_kt(track, @air_kt)
          turning = last ? Q.wrap_deg(track - last) / STEP_S : 0.0
          rows << row(rows.size * STEP_S, place, track, ground, turning)
          last = track
          way += ground * 1.68781 * STEP_S
        end
        rows
      end

      # Place after so many feet of the line.
      def at(way)
        @line.each_cons(2) do |a, b|
          length = Math.hypot(b[0] - a[0], b[1] - a[1])
          return [a[0] + ((b[0] - a[0]) * way / length), a[1] + ((b[1] - a[1]) * way / length)] if way <= length

          way -= length
        end
        nil
      end

      def heading_of(from, to)
        return nil if from == to

        (@course + (Math.atan2(to[1] - from[1], to[0] - from[0]) / Q::DEG)) % 360.0
      end

      def row(time, place, track, ground, turning)
        c = @course * Q::DEG
        north = ((place[0] * Math.cos(c)) - (place[1] * Math.sin(c))) * Q::FT
        east = ((place[0] * Math.sin(c)) + (place[1] * Math.cos(c))) * Q::FT
        # The bank that the curve asks for, smoothed by the feet between the points.
        asked = Math.atan(ground * Q::KT * turning * Q::DEG / Q::G) / Q::DEG
        @bank = (@bank || 0.0) + (0.15 * (asked - (@bank || 0.0)))
        lat, lon = @map.lat_lon(north + noise, east + noise)
        {
          't_s' => time.round(2),
          'lat_deg' => lat.round(7),
          'lon_deg' => lon.round(7),
          'agl_ft' => (@agl_ft + (2 * noise)).round(1),
          'gs_kt' => (ground + (0.3 * noise)).round(2),
          'track_deg' => ((track + (0.5 * noise)) % 360.0).round(2),
          'hdg_deg' => ((track + @wind.drift_angle_deg(track, @air_kt) + (0.5 * noise)) % 360.0).round(2),
          'ias_kt' => (@air_kt + (0.7 * noise)).round(1),
          'vs_fpm' => (20 * noise).round,
          'roll_deg' => (@bank + (0.3 * noise)).round(2),
          'nr_pct' => 100.0,
          'collective_pct' => 45.0,
          'map_inhg' => 20.0,
          'throttle_pct' => 80.0
        }
      end

      def noise = NormalRandom.draw(@random)
    end
  end
end
