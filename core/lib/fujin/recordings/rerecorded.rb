# frozen_string_literal: true

module Fujin
  module Recordings
    # A stretch of a recording as the same recorder might have written it another time, had the flight been just what
    # the recording shows: read at other moments where it reads slowly, trembling as much, as far off as such a recorder
    # may be all through a flight, smoothed and derived in the same way. What a measure makes of a few of these is what
    # the recording leaves open (B. Efron and R. J. Tibshirani, "An Introduction to the Bootstrap", 1993, the parametric
    # bootstrap).
    class Rerecorded < Signals
      # What 9 of 10 recorders are off by all through a flight.
      OFFSETS = {
        agl: 0.3, gs: 0.2, ias: 1.2, nr: 0.25, ne: 0.25, pitch: 0.5, roll: 0.5, collective: 0.6, throttle: 0.6,
        pedal: 0.6, stick: 0.6, heading: 1.0, vs: 10.0, map: 0.1, tq: 0.3
      }.freeze
      PLACE_FT = 7.0
      # A rotor whose speed was not recorded.
      RPM_SHARE = 0.03
      # A height read off a barometer, and each part of a wind that was not measured where the aircraft was: both in it
      # and in the airspeed that is worked out from it.
      BAROMETER_FT = 15.0
      WIND_KT = 2.0
      WIND_SHARE = 0.3
      # Standard deviations of a normal error that 9 of 10 stay within.
      NINE_OF_TEN = 1.645
      # Normal deviates, drawn once: a stretch of them begins anywhere.
      TAPE = Random.new(20).then { |random| Array.new(8192) { NormalRandom.draw(random) }.freeze }

      # @param signals [Signals] as recorded
      # @param range [Range<Integer>] of its samples
      # @param errors [Stratified] of what stays alike, @param random [Random] for the trembling
      def initialize(signals, range, errors, random, type:, atmosphere:)
        @base = signals
        @range = range
        @errors = errors
        @random = random
        @type = type
        @atmosphere = atmosphere
        @recording = signals.recording
        @start_s = signals.time(range.first)
        @step_s = signals.step_s
        @size = range.size
        @native_step_s = signals.native_step_s
        @native = [native_step_s / step_s, 1.0].max
        @signals = {}
        @unsmoothed = {}
        @agl_zero_ft = signals.agl_zero_ft
        @wind = other_wind
        @wind_source = signals.wind_source
      end

      # Each is written when it is first asked for.
      def [](name) = signal?(name) ? @signals[name] ||= written(name) : nil

      def signal?(name) = @base.signal?(name)
      def estimated?(*names) = @base.estimated?(*names)
      def reason(name) = @base.reason(name)
      def noise_sd(name) = @base.noise_sd(name)
      def unrecorded_rpm_share = 1.0 + off(RPM_SHARE, :unrecorded_rpm)

      private

      def written(name)
        return smoothed(name, again(name)) if @base.recorded_names.include?(name)

        case name
        when :agl then self[:alt].map { |v| v - barometer_off }
        when :gs then motion_over_ground[0]
        when :track then motion_over_ground[1]
        when :ias then triangle_airspeed
        when :airspeed then through_the_air
        when :power then self[:tq] || self[:map]
        when :sink then (height = self[:agl] || self[:alt]) ? sink_of(height) : self[:vs].map { |v| -v }
        end
      end

      def off(nine_of_ten, source) = nine_of_ten / NINE_OF_TEN * @errors.deviate(source)

      def offset(name)
        case name
        when :lat then elsewhere[0]
        when :lon then elsewhere[1]
        else off(OFFSETS.fetch(name, 0.0), name)
        end
      end

      # Degrees of latitude and longitude by which all of it may lie elsewhere.
      def elsewhere
        @elsewhere ||= begin
          place = %i[lat lon].map { |name| @base[name].find { |v| !v.nan? } || 0.0 }
          moved = LocalMap.new(*place).lat_lon(*%i[north east].map { |way| off(PLACE_FT * Quantities::FT, way) })
          moved.zip(place).map { |there, here| there - here }
        end
      end

      def again(name)
        values = @base[name][@range]
        shift = offset(name)
        noise_sd = @base.noise_sd(name)
        return slowly(values, shift, noise_sd) if @native > 1.01

        # Asked some hundred times a lesson: a bare loop is three times as quick as a block.
        trembling = tape(size)
        i = -1
        values[i] += shift + (noise_sd * trembling[i]) while (i += 1) < size
        values
      end

      # So many normal deviates.
      def tape(count)
        from = @random.rand(TAPE.size / 2)
        from + count <= TAPE.size ? TAPE[from, count] : TAPE.cycle.first(count)
      end

      # Read every so many samples, at other moments than it was, with straight lines between.
      def slowly(values, shift, noise_sd)
        first = -@random.rand * @native
        count = ((size - first) / @native).ceil + 2
        readings = tape(count).each_with_index.map do |deviate, k|
          between(values, (first + (k * @native)).clamp(0.0, size - 1.0)) + shift + (noise_sd * deviate)
        end
        values.each_index.map { |i| between(readings, (i - first) / @native) }
      end

      def between(values, place)
        lower = place.floor
        return values[lower] if place == lower

        values[lower] + ((values[lower + 1] - values[lower]) * (place - lower))
      end

      # What was taken off the altitude, as far off as a barometer is.
      def barometer_off
        @barometer_off ||= begin
          i = @range.find { |k| !@base[:agl][k].nan? } || @range.first
          @base[:alt][i] - @base[:agl][i] + off(BAROMETER_FT, :barometer)
        end
      end

      def other_wind
        return nil unless @base.wind

        spread = Math.hypot(WIND_KT, WIND_SHARE * @base.wind.speed_kt) * Quantities::KT
        WindFound.mean([@base.wind.vector.zip(%i[wind_north wind_east]).map { |part, way| part + off(spread, way) }])
      end
    end
  end
end
