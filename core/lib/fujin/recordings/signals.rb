# frozen_string_literal: true

module Fujin
  module Recordings
    # A recording made ready for measuring: evenly spaced, smoothed as docs/reference/boundaries.md says, with what is
    # missing derived where that is honest. Knots, feet, feet a minute, degrees, percent: the units of the measures.
    #
    # Each signal is an array of floats (NaN where not recorded), or absent; `estimated?` tells the derived ones.
    class Signals
      include Sampled

      LONGEST_GAP_S = Gaps::LONGEST_S
      SLOWEST_HZ = 5.0
      FASTEST_HZ = 50.0
      # Half the time that these readings are a mean of.
      SMOOTHED_S = { nr: 0.2, pitch: 0.2, roll: 0.2, heading: 0.2, ias: 0.5 }.freeze
      # Half the time of the mean, and of the rate, that a sink is made of; for heights that tremble by over a foot.
      SINK_S = [0.3, 0.4].freeze
      ROUGH_SINK_S = [1.0, 1.0].freeze
      ROUGH_FT = 1.0
      # A pitot tube is dead under this, kt.
      DEAD_KT = 20.0

      # `native_step_s` is between the samples of the file, `step_s` between those of the signals.
      attr_reader :recording, :start_s, :native_step_s, :step_s, :size, :agl_zero_ft, :wind, :wind_source

      # @param type [Aircraft::Type]
      # @param atmosphere [Atmosphere] at the site
      # @param elevation_ft [Float, nil] of the site, above sea level
      # @param wind [Wind, nil] the sortie's; otherwise the file's, otherwise the drift in the file
      def initialize(recording, type:, atmosphere:, elevation_ft: nil, wind: nil)
        @recording = recording
        @type = type
        @atmosphere = atmosphere
        @elevation_ft = recording.own_datum ? nil : elevation_ft
        @native_step_s = recording.step_s
        @step_s = native_step_s.clamp(1.0 / FASTEST_HZ, 1.0 / SLOWEST_HZ)
        @start_s = recording.times.first
        # A hair of room: 54.8 s in tenths are 548 steps, in floating point one less.
        @size = ((recording.duration_s / @step_s) + 1e-6).floor + 1
        @longest_hole = [LONGEST_GAP_S, 1.5 * native_step_s].max
        @signals = {}
        @estimated = {}
        @reasons = {}
        @recorded = {}
        @unsmoothed = {}
        @noise_sd = {}
        read_channels
        derive(wind)
      end

      def [](name) = @signals[name]
      def signal?(name) = @signals.key?(name)
      def estimated?(*names) = names.any? { |name| @estimated[name] }
      def reason(name) = @reasons[name] || Text.of('%{name} is not in the file', name: name)

      # Ground speed worked out from positions trembles with them.
      def standing_kt = estimated?(:gs) ? 3.0 : 1.0

      # How far heights may be off all through a recording, ft, where they are not a height above the ground.
      def height_room_ft = estimated?(:agl) ? Rerecorded::BAROMETER_FT : 0.0

      # Where it goes: the heading, or the track where that was not recorded. Tells a turn, never a drift or a yaw.
      def way = self[:heading] || self[:track]

      # Of the rotor, where none was recorded: what it is governed to.
      def unrecorded_rpm_share = 1.0

      # Those that the file has, none of them derived.
      def recorded_names = @recorded.keys

      # What the readings of one of them tremble by in this file: one standard deviation.
      def noise_sd(name)
        @noise_sd[name] ||= begin
          channel, scale, angle = @recorded.fetch(name)
          raw = recording[channel]
          scale * ChannelNoise.sd(angle ? Smoothing.unwrap(raw) : raw, native_step_s)
        end
      end

      # A stretch of this recording as the same recorder might have written it another time.
      # @param errors [Stratified], @param random [Random] for the trembling
      # @return [Rerecorded]
      def rerecorded(from_s, to_s, errors, random) =
        Rerecorded.new(self, index(from_s)..index(to_s), errors, random, type: @type, atmosphere: @atmosphere)

      private

      def read_channels
        direct = { nr: 'nr_pct', ne: 'ne_pct', governor: 'governor_on', throttle: 'throttle_pct',
                   collective: 'collective_pct', roll: 'roll_deg',
                   vs: 'vs_fpm', alt: 'alt_msl_ft', tq: 'tq_pct', map: 'map_inhg', pedal: 'pedal_pct',
                   stick: 'stick_pct' }
        direct.each { |name, channel| put(name, channel) }
        put(:nr, 'rotor_rpm', scale: 100.0 / normal_rpm) unless signal?(:nr)
        put(:ias, 'ias_kt')
        put(:pitch, 'pitch_deg')
        put(:gs, 'gs_kt')
        put(:heading, 'hdg_deg', angle: true)
        put(:track, 'track_deg', angle: true)
        put(:agl, 'agl_ft')
        put_place
        smooth_readings
      end

      # Half a position is none.
      def put_place
        return unless recording['lat_deg'] && recording['lon_deg']

        put(:lat, 'lat_deg')
        put(:lon, 'lon_deg')
      end

      def normal_rpm = @type.normal_rotor_rpm

      def put(name, channel, scale: 1.0, angle: false)
        raw = recording[channel]
        return unless raw

        @recorded[name] = [channel, scale, angle]
        raw = Smoothing.unwrap(raw) if angle
        values = Smoothing.resample(recording.times, raw, start_s, step_s, size, @longest_hole)
        @signals[name] = scale == 1 ? values : values.map { |v| v * scale }
      end

      def smooth_readings
        SMOOTHED_S.each_key { |name| @signals[name] = smoothed(name, @signals[name]) if signal?(name) }
      end

      # Keeps what it was before.
      def smoothed(name, values)
        return values unless SMOOTHED_S.key?(name)

        @unsmoothed[name] = values
        Smoothing.mean(values, samples(SMOOTHED_S.fetch(name)))
      end

      def derive(wind)
        derive_track
        derive_height
        @wind, @wind_source = WindFound.new(self, @atmosphere).find(wind)
        derive_airspeed
        derive_sink
        derive_slow_airspeed
        @reasons[:heading] ||= 'heading is not in the file, and a track over the ground does not tell where the nose ' \
          'points'
        @signals[:power] = @signals[:tq] || @signals[:map] if signal?(:tq) || signal?(:map)
      end

      # AGL: the channel; altitude less site elevation; altitude less the file's own on-ground altitude.
      def derive_height
        unless signal?(:agl)
          if signal?(:alt) && @elevation_ft
            @signals[:agl] = estimate(:agl, @signals[:alt].map { |v| v - @elevation_ft })
          elsif signal?(:alt) && (ground = GroundLevel.new(self).altitude_ft)
            @signals[:agl] = estimate(:agl, @signals[:alt].map { |v| v - ground })
          else
            @reasons[:agl] = 'height above ground is not in the file, and it cannot be had from altitude without the ' \
              'site elevation or a stop on the ground'
          end
        end
        @agl_zero_ft = GroundLevel.new(self).agl_zero_ft
      end

      def derive_track
        return unless signal?(:lat) && signal?(:lon) && !(signal?(:gs) && signal?(:track))

        speed, track = motion_over_ground
        @signals[:gs] ||= estimate(:gs, speed)
        @signals[:track] ||= estimate(:track, track)
      end

      # Ground speed, kt, and track, degrees, from the positions.
      def motion_over_ground
        map = LocalMap.new(recording['lat_deg'].find { |v| !v.nan? }, recording['lon_deg'].find { |v| !v.nan? })
        north_east = self[:lat].zip(self[:lon]).map { |lat, lon| map.north_east(lat, lon) }
        half = samples(0.5)
        north = Smoothing.rate(Smoothing.mean(north_east.map(&:first), half), step_s)
        east = Smoothing.rate(Smoothing.mean(north_east.map(&:last), half), step_s)
        track = north.zip(east).map { |n, e| Math.hypot(n, e) < 0.8 ? Float::NAN : Math.atan2(e, n) / Quantities::DEG }
        [north.zip(east).map { |n, e| Math.hypot(n, e) / Quantities::KT }, Smoothing.unwrap(track)]
      end

      # Without an airspeed channel: the wind triangle.
      def derive_airspeed
        return if signal?(:ias)
        return @reasons[:ias] = 'airspeed is not in the file and there is no wind to derive it with' unless wind
        unless signal?(:gs) && signal?(:track)
          return (
            @reasons[:ias] = 'airspeed is not in the file and there is no ground track to derive it from'
          )
        end

        @signals[:ias] = estimate(:ias, triangle_airspeed)
      end

      def triangle_airspeed = Smoothing.mean((0...size).map { |i| triangle_kt(i) }, samples(0.5))

      # Airspeed by the wind triangle, kt equivalent.
      def triangle_kt(index)
        wind_n, wind_e = wind.vector
        ground = self[:gs][index] * Quantities::KT
        angle = self[:track][index] * Quantities::DEG
        air = Math.hypot((ground * Math.cos(angle)) - wind_n, (ground * Math.sin(angle)) - wind_e)
        @atmosphere.equivalent_speed(air) / Quantities::KT
      end

      # What is flown through the air, slow as it may be: a pitot tube says nothing under 20 kt, the wind triangle takes
      # over; without a wind nothing is known there.
      def derive_slow_airspeed
        return unless signal?(:ias)

        @signals[:airspeed] = through_the_air
      end

      def through_the_air
        return self[:ias] if estimated?(:ias)

        known = wind && signal?(:gs) && signal?(:track)
        self[:ias].each_with_index.map do |kt, i|
          next kt if kt.nan? || kt >= DEAD_KT

          known ? slow_kt(i) : Float::NAN
        end
      end

      # Standing over the ground there is no track, and the wind is all there is.
      def slow_kt(index)
        kt = triangle_kt(index)
        kt.nan? && self[:gs][index] < standing_kt ? @atmosphere.equivalent_speed(wind.speed_kt) : kt
      end

      # Sink from height (never lagged); from the vertical-speed column, its lag taken off, when there is no height.
      def derive_sink
        height = @signals[:agl] || @signals[:alt]
        if height
          @signals[:sink] = sink_of(height)
        elsif signal?(:vs)
          @signals[:sink] = estimate(:sink, @signals[:vs].map { |v| -v })
        end
      end

      # A height that trembles is smoothed for longer: a barometer's would sink by a hundred feet a minute of its own.
      def sink_of(height)
        mean_s, rate_s = rough_height? ? ROUGH_SINK_S : SINK_S
        Smoothing.rate(Smoothing.mean(height, samples(mean_s)), step_s, samples(rate_s)).map { |v| -60.0 * v }
      end

      def rough_height? = noise_sd(signal?(:agl) && !estimated?(:agl) ? :agl : :alt) > ROUGH_FT

      def estimate(name, values)
        @estimated[name] = true
        values
      end
    end
  end
end
