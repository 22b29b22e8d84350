# frozen_string_literal: true

module Fujin
  module Grading
    # What every taker of measures needs: readings at a moment and over a stretch, judged and kept one by one.
    # The class that includes it takes its measures into `@taken` and may say which targets a standard's rules stand
    # for.
    module Measuring
      FT_PER_KT_S = 1.68781

      # 90 % uncertainty of a single reading of each signal with an ordinary recorder: its noise and lag.
      READING = {
        nr: 0.4,
        ias: 2.0,
        gs: 0.8,
        agl: 3.0,
        pitch: 0.8,
        heading: 1.5,
        track: 2.0,
        collective: 1.0,
        throttle: 1.0,
        sink: 80.0,
        vs: 120.0,
        lat: 5.0,
        lon: 5.0,
        roll: 0.8
      }.freeze

      # What a height at either end leaves open in the height between them.
      HEIGHT_OVER_TIME_FT = 4.0
      GAP = 'a gap in the recording covers it'

      attr_reader :signals, :attempt, :context, :manoeuvre

      # @param signals [Recordings::Signals], @param attempt [Attempt], @param context [Context]
      # @param manoeuvre [Catalogue::Declaration] that the attempt is one of
      def initialize(signals, attempt, context, manoeuvre)
        @signals = signals
        @attempt = attempt
        @context = context
        @manoeuvre = manoeuvre
        @taken = {}
      end

      private

      def zero = signals.agl_zero_ft

      # Judges and keeps one measure, by its entry in the glossary. A NaN or nil value is 'not recorded' with the
      # reason. What cannot do without its sources is given as a lambda, and worked out only where all of them were
      # recorded.
      # @param value [Float, nil, #call]
      # @param limit [Standard::Band, nil] where it is not the standard that sets it
      # @param sources [Array<Symbol>, nil], @param uncertainty [Float, nil] where only the measurement knows them
      def put(id, phase, value, reason: nil, limit: nil, sources: nil, uncertainty: nil)
        entry = Glossary.measure(id, manoeuvre.id)
        sources ||= sources_of(entry)
        missing = sources.find { |name| !signals.signal?(name) }
        value = missing ? nil : value.call if value.respond_to?(:call)
        if missing || value.nil? || value.nan?
          return @taken[id] = not_recorded(entry, phase, sources, missing ? signals.reason(missing) : reason || GAP)
        end

        band = limit || standard_band(id)
        spread = uncertainty || uncertainty_of(entry, phase, sources)
        @taken[id] = Measure.new(
          id: id,
          phase: phase,
          value: value,
          unit: entry.unit,
          verdict: band&.verdict(value),
          critical: band ? surely_critical?(band, value, spread.to_f, entry) : false,
          too_close: band&.too_close?(value, spread) || false,
          band: band,
          uncertainty: spread,
          source: sources,
          estimated: signals.estimated?(*sources) || estimated_phase?(phase)
        )
      end

      # Beyond the limit with the whole uncertainty; and a height over the ground read off a barometer passes none.
      def surely_critical?(band, value, spread, entry) =
        band.critical?(value - spread) && band.critical?(value + spread) &&
          !(entry.unit == 'ft' && signals.estimated?(:agl))

      def not_recorded(entry, phase, sources, reason)
        Measure.new(
          id: entry.id,
          phase: phase,
          value: nil,
          unit: entry.unit,
          verdict: 'not_recorded',
          source: sources,
          reason: reason
        )
      end

      # All of them, or the first that was recorded where any will do.
      def sources_of(entry)
        return entry.sources unless entry.any_source

        [entry.sources.find { |name| signals.signal?(name) } || entry.sources.last]
      end

      # 90 % of a value, by its entry's rule.
      def uncertainty_of(entry, phase, sources)
        case entry.uncertainty
        when 'reading' then READING.fetch(sources.first, nil)
        when 'one_sample' then signals.step_s
        when 'two_samples' then 2 * signals.step_s
        when 'height_over_time' then HEIGHT_OVER_TIME_FT * 60.0 / [attempt.phase(phase).duration_s, 1.0].max
        else entry.uncertainty
        end
      end

      def estimated_phase?(phase) = attempt.phase(phase)&.estimated || false

      def standard_band(id)
        standard&.band(id, context.stage, targets, planned: context.planned)
      end

      def standard = manoeuvre.standard
      def targets = context.targets

      # Those of some values that are numbers.
      def numbers(values) = values.compact.reject(&:nan?)
      def range_of(from_s, to_s) = signals.index(from_s)..signals.index(to_s)
      # Largest departure of some values from one of them, or from their mean.
      def largest_off(values, from = mean(values)) = values.map { |v| (v - from).abs }.max

      # A statistic over a stretch, or NaN when less than 80 % of it was recorded.
      def over(name, from_s, to_s)
        return Float::NAN if to_s <= from_s || signals.coverage(name, from_s, to_s) < 0.8

        yield signals.window(name, from_s, to_s)
      end

      def mean(values) = values.sum / values.size

      # Crossing time by straight line between the samples around it.
      def refine(values, index, level)
        return signals.time(index) if index.zero? || (values[index - 1] - values[index]).abs < 1e-9

        signals.time(index) -
          (signals.step_s * ((level - values[index]) / (values[index - 1] - values[index])).clamp(0.0, 1.0))
      end

      # Largest heading change within a time, degrees, either way.
      def yaw_after(from_s, seconds)
        over(:heading, from_s, from_s + seconds) do |values|
          start = signals.at(:heading, from_s)
          start.nan? ? start : values.map { |v| (v - start).abs }.max
        end
      end

      def height_lost(from, to)
        return Float::NAN if signals.coverage(:agl, from, to) < 0.8

        signals.at(:agl, from) - signals.at(:agl, to)
      end

      def position_change(from, to)
        return nil unless signals.signal?(:lat) && signals.signal?(:lon)

        map = LocalMap.new(signals.at(:lat, from), signals.at(:lon, from))
        north, east = map.north_east(signals.at(:lat, to), signals.at(:lon, to))
        distance = Math.hypot(north, east) / Quantities::FT
        distance.nan? ? nil : distance
      end

      def downward_pass(height_ft)
        agl = signals[:agl]
        from = signals.index(attempt.start_s) + 1
        to = signals.index(attempt.end_s)
        index = (from..to).find { |i| agl[i] - zero <= height_ft && agl[i - 1] - zero > height_ft }
        index && refine(agl.map { |v| v - zero }, index, height_ft)
      end

      # Motion through the air, m/s: the relative wind comes from where it goes.
      def air(index)
        speed = signals[:gs][index] * Quantities::KT
        track = signals[:track][index] * Quantities::DEG
        wind_north, wind_east = signals.wind.vector
        [(speed * Math.cos(track)) - wind_north, (speed * Math.sin(track)) - wind_east]
      end

      def drift(at) =
        signals.at(:gs, at) * Math.sin((signals.at(:track, at) - signals.at(:heading, at)) * Quantities::DEG)

      # Distance from contact until under 0.6 kt.
      def slide(from)
        gs = signals[:gs]
        return Float::NAN unless gs

        stop = (signals.index(from)..(signals.size - 1)).find { |i| gs[i] < 0.6 }
        if stop
          over(:gs, from, signals.time(stop)) { |v| mean(v) * (signals.time(stop) - from) * FT_PER_KT_S }
        else
          Float::NAN
        end
      end

      def position_from_spot(at) =
        course_deg ? AboutSpot.new(signals, context.spot, course_deg).place_at(at) : [Float::NAN, Float::NAN]
    end
  end
end
