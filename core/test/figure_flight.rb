# frozen_string_literal: true

# A flight along a line over the ground at one airspeed in a wind, as a recorder with ordinary noise would show it:
# heading by the drift, bank by the curve. The line is a list of places along and across a course through the spot,
# feet.
class FigureFlight
  Q = Fujin::Quantities
  STEP_S = 0.1

  def initialize(line, course_deg:, wind:, air_kt: 70.0, agl_ft: 800.0, seed: 1, utc: nil)
    @line = line
    @course = course_deg
    @wind = wind
    @air_kt = air_kt
    @agl_ft = agl_ft
    @random = Random.new(seed)
    @utc = utc
  end

  def csv
    rows = fly
    "#{rows.first.keys.join(',')}\n#{rows.map { |row| row.values.join(',') }.join("\n")}\n"
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
    @bank = (@bank || 0.0) + (0.15 * ((Math.atan(ground * Q::KT * turning * Q::DEG / Q::G) / Q::DEG) - (@bank || 0.0)))
    {
      't_s' => time.round(2),
      'lat_deg' => (47.2104 + ((north + noise) / 111_180.0)).round(7),
      'lon_deg' => (-14.332 + ((east + noise) / 75_532.0)).round(7),
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

  def noise = Math.sqrt(-2.0 * Math.log(1.0 - @random.rand)) * Math.cos(2.0 * Math::PI * @random.rand)
end
