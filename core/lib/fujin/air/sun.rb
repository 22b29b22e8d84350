# frozen_string_literal: true

module Fujin
  # Where the sun stands: true azimuth and elevation, to about a tenth of a degree between 1950 and 2050.
  # Source: the low-precision solar coordinates of The Astronomical Almanac (U.S. Naval Observatory and HM Nautical
  # Almanac Office), section C; refraction is left out.
  class Sun
    # Noon of 1 January 2000, universal time.
    EPOCH = Time.utc(2000, 1, 1, 12).to_f
    # Half the sun's width and the usual refraction at the horizon.
    RISE_DEG = -0.833
    # Low enough to blind.
    GLARE_BELOW_DEG = 35.0
    GLARE_WITHIN_DEG = 45.0

    attr_reader :azimuth_deg, :elevation_deg

    # @param at [Time], @param lat_deg [Float] north +, @param lon_deg [Float] east +
    def initialize(at, lat_deg, lon_deg)
      days = (at.to_f - EPOCH) / 86_400.0
      anomaly = (357.528 + (0.9856003 * days)) * Quantities::DEG
      longitude =
        (280.460 + (0.9856474 * days) + (1.915 * Math.sin(anomaly)) + (0.020 * Math.sin(2.0 * anomaly))) *
        Quantities::DEG
      tilt = (23.439 - (0.0000004 * days)) * Quantities::DEG
      ascension = Math.atan2(Math.cos(tilt) * Math.sin(longitude), Math.cos(longitude))
      declination = Math.asin(Math.sin(tilt) * Math.sin(longitude))
      sidereal = ((280.46062 + (360.98564737 * days) + lon_deg) % 360.0) * Quantities::DEG
      place(sidereal - ascension, declination, lat_deg * Quantities::DEG)
      freeze
    end

    def up? = elevation_deg > RISE_DEG

    # Degrees to the right (+) or left of a heading, −180 to 180.
    def off_deg(heading_deg) = Quantities.wrap_deg(azimuth_deg - heading_deg)

    # In the eyes of whoever flies this heading.
    def in_the_eyes?(heading_deg) =
      up? && elevation_deg < GLARE_BELOW_DEG && off_deg(heading_deg).abs < GLARE_WITHIN_DEG

    # First moments of the day with the sun up and down again, to a minute, or nil when it does not rise or set.
    # @param date [Date]
    # @return [Array(Time, Time), nil]
    def self.rise_and_set(date, lat_deg, lon_deg)
      # The solar day's middle is where the sun stands highest, not noon of the clock; by the equation of time it is
      # within twenty minutes of it, and the sun only rises before it and sinks after it.
      start = Time.utc(date.year, date.month, date.day) - (lon_deg / 15.0 * 3600.0)
      sun = ->(minute) { new(start + (minute * 60), lat_deg, lon_deg) }
      height = ->(minute) { sun.call(minute).elevation_deg }
      noon = (700...740).bsearch { |minute| height.call(minute + 1) <= height.call(minute) } || 740
      return nil unless sun.call(noon).up?

      first = (0..noon).bsearch { |minute| sun.call(minute).up? }
      last = ((noon..1440).bsearch { |minute| !sun.call(minute).up? } || 1441) - 1
      first.zero? && last == 1440 ? nil : [start + (first * 60), start + (last * 60)]
    end

    private

    def place(hour_angle, declination, latitude)
      sine =
        (Math.sin(latitude) * Math.sin(declination)) +
        (Math.cos(latitude) * Math.cos(declination) * Math.cos(hour_angle))
      east = -Math.cos(declination) * Math.sin(hour_angle)
      north =
        (Math.sin(declination) * Math.cos(latitude)) -
        (Math.cos(declination) * Math.cos(hour_angle) * Math.sin(latitude))
      @elevation_deg = Math.asin(sine.clamp(-1.0, 1.0)) / Quantities::DEG
      @azimuth_deg = (Math.atan2(east, north) / Quantities::DEG) % 360.0
    end
  end
end
