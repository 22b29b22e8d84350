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
      valid = match && match[1].to_f <= 360 && match[2].to_f <= 100 &&
              (match[3].nil? || match[3].to_f.between?(match[2].to_f, 100))
      unless valid
        raise InvalidInput, [{ path: path,
                               message: "expected DEGREES/KNOTS such as 350/10 or 350/10G18, got #{text.inspect}" }]
      end

      new(from_deg: match[1].to_f, speed_kt: match[2].to_f, gust_kt: match[3]&.to_f)
    end

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

    def gust_spread_kt = gust_kt ? gust_kt - speed_kt : 0.0
    def to_s = format('%03d/%g%s', from_deg.round, speed_kt.round(1), gust_kt ? "G#{gust_kt.round}" : '')
    def ==(other) = other.is_a?(Wind) && to_a == other.to_a
    def to_a = [from_deg, speed_kt, gust_kt]
  end
end
