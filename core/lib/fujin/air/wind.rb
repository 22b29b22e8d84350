# frozen_string_literal: true

module Fujin
  # A steady wind: where it comes from (true degrees) and how fast, with an optional gust.
  class Wind
    attr_reader :from_deg, :speed_kt, :gust_kt

    TEXT = %r{\A\s*(\d{1,3}(?:\.\d+)?)\s*/\s*(\d{1,3}(?:\.\d+)?)(?:\s*G\s*(\d{1,3}(?:\.\d+)?))?\s*\z}i

    def initialize(from_deg:, speed_kt:, gust_kt: nil)
      @from_deg = from_deg.to_f % 360.0
      @speed_kt = speed_kt.to_f
      @gust_kt = gust_kt&.to_f
      freeze
    end

    def self.calm = new(from_deg: 0.0, speed_kt: 0.0)

    # Reads `350/10` or `350/10G18`.
    # @raise [InvalidInput] naming the path when the text is no wind
    def self.parse(text, path: 'wind')
      match = TEXT.match(text.to_s)
      unless match
        raise InvalidInput, [{ path: path,
                               message: Text.of('expected DEGREES/KNOTS such as 350/10 or 350/10G18, got %{text}',
                                                text: text.inspect) }]
      end

      wind = new(from_deg: match[1].to_f, speed_kt: match[2].to_f, gust_kt: match[3]&.to_f)
      message = out_of_range(match[1].to_f, wind)
      if message
        raise InvalidInput, [{ path: path, message: Text.of('%{message}, got %{text}',
                                                            message: message, text: text.inspect) }]
      end

      wind
    end

    MOST_KT = 100
    private_constant :MOST_KT

    # @return [String, nil] what was expected of a wind that is read but cannot be
    def self.out_of_range(from_deg, wind)
      return 'expected a direction from 0 to 360°' if from_deg > 360
      if [wind.speed_kt, wind.gust_kt || 0].max > MOST_KT
        return Text.of('expected at most %{most_kt} kt', most_kt: MOST_KT)
      end

      'expected a gust over the wind' if wind.gust_kt && wind.gust_kt < wind.speed_kt
    end
    private_class_method :out_of_range

    # The wind that makes the difference between the way through the air and the way over the ground: the wind triangle,
    # solved for its third side.
    # @param heading_deg [Float] true, @param airspeed_kt [Float] true airspeed
    # @param track_deg [Float] true, @param groundspeed_kt [Float]
    def self.from_drift(heading_deg:, airspeed_kt:, track_deg:, groundspeed_kt:)
      over, through =
        [[track_deg, groundspeed_kt], [heading_deg, airspeed_kt]].map do |deg, kt|
          Complex.polar(kt, deg * Quantities::DEG)
        end
      blowing = over - through
      new(from_deg: ((blowing.arg / Quantities::DEG) + 180.0) % 360.0, speed_kt: blowing.abs)
    end

    DRIFT = /\Aheading (\d{1,3}) at (\d{1,3}), track (\d{1,3}) at (\d{1,3})\z/

    # A wind as somebody in the air saw it: `350/10`, or a drift such as `heading 340 at 70, track 348 at 62` in true
    # degrees, knots indicated and knots over the ground.
    # @raise [InvalidInput]
    def self.observed(text, atmosphere: Atmosphere.new, path: 'wind')
      match = DRIFT.match(text.to_s) or return parse(text, path: path)
      heading, airspeed, track, groundspeed = match.captures.map(&:to_f)
      found =
        from_drift(
          heading_deg: heading,
          airspeed_kt: atmosphere.true_speed(airspeed * Quantities::KT) / Quantities::KT,
          track_deg: track,
          groundspeed_kt: groundspeed
        )
      return found if found.speed_kt <= 60.0

      raise InvalidInput,
            [
              {
                path: path,
                message: Text.of('expected a drift that a wind of at most 60 kt explains, got %{speed_kt} kt',
                                 speed_kt: found.speed_kt.round)
              }
            ]
    end

    # As it is said, whole degrees and knots: `350/10`; nothing of its gust.
    def text = format('%03d/%d', from_deg.round % 360, speed_kt.round)

    # Velocity of the air, metres a second, as [north, east].
    def vector
      angle = (from_deg + 180.0) * Quantities::DEG
      speed = speed_kt * Quantities::KT
      [speed * Math.cos(angle), speed * Math.sin(angle)]
    end

    # Headwind on a course, knots, positive against; negative is a tailwind.
    def headwind_kt(course_deg) = speed_kt * Math.cos((from_deg - course_deg) * Quantities::DEG)

    # Crosswind on a course, knots, positive from the right.
    def crosswind_kt(course_deg) = speed_kt * Math.sin((from_deg - course_deg) * Quantities::DEG)

    # Heading correction that holds a course at a true airspeed; nil if the wind is too strong.
    def drift_angle_deg(course_deg, airspeed_kt)
      ratio = crosswind_kt(course_deg) / airspeed_kt
      ratio.abs < 1.0 ? Math.asin(ratio) / Quantities::DEG : nil
    end

    # Ground speed along a course held with the right drift angle, knots.
    def groundspeed_kt(course_deg, airspeed_kt)
      cross = crosswind_kt(course_deg)
      return 0.0 if cross.abs >= airspeed_kt

      Math.sqrt((airspeed_kt**2) - (cross**2)) - headwind_kt(course_deg)
    end

    # With so much more headwind on a course, and its gust as much over it as before.
    # @return [Wind]
    def with_headwind(more_kt, course_deg)
      from = [[speed_kt, from_deg], [more_kt, course_deg]].sum { |kt, deg| Complex.polar(kt, deg * Quantities::DEG) }
      Wind.new(from_deg: from.arg / Quantities::DEG, speed_kt: from.abs,
               gust_kt: gust_kt && (from.abs + gust_spread_kt))
    end

    def gust_spread_kt = gust_kt ? gust_kt - speed_kt : 0.0
    def to_s = format('%03d/%g%s', from_deg.round, speed_kt.round(1), gust_kt ? "G#{gust_kt.round}" : '')
    def ==(other) = other.is_a?(Wind) && to_a == other.to_a
    def to_a = [from_deg, speed_kt, gust_kt]
  end
end
