# frozen_string_literal: true

module Fujin
  module Grading
    # What every taker of measures needs: readings at a moment and over a stretch, kept one by one. The class that
    # includes it takes its measures into `@taken` and may say which targets a standard's rules stand for; how far each
    # may be off, and what it is worth, is asked afterwards (Spread, Judging).
    module Measuring
      FT_PER_KT_S = 1.68781

      # The nose swings quicker than a slower recorder shows.
      SWINGS_S = 0.6
      TOO_SLOW = 'this recorder writes too seldom to show how far the nose swung'
      # Half the time over which a height is steadied.
      STEADY_S = 0.3
      GAP = 'a gap in the recording covers it'

      attr_reader :signals, :attempt, :context, :manoeuvre

      # @param signals [Recordings::Signals], @param attempt [Attempt], @param context [Context]
      # @param manoeuvre [Catalogue::Declaration] that the attempt is one of
      # @param targets [Planning::Targets, nil] the day's, where they are known already
      def initialize(signals, attempt, context, manoeuvre, targets: nil)
        @signals = signals
        @attempt = attempt
        @context = context
        @manoeuvre = manoeuvre
        @targets = targets
        @taken = {}
      end

      # What the names in a standard's rules stand for today.
      # @return [Planning::Targets]
      def targets = @targets ||= context.targets_of(manoeuvre, own_targets)

      private

      # Those of the names that only the taker can give.
      # @return [Hash{String => Float}]
      def own_targets = {}

      def zero = signals.agl_zero_ft

      # Keeps one measure, by its entry in the glossary. A NaN or nil value is 'not recorded' with the reason. What
      # cannot do without its sources is given as a lambda, and worked out only where all of them were recorded.
      # @param value [Float, nil, #call]
      # @param sources [Array<Symbol>, nil] where only the measurement knows them
      def put(id, phase, value, reason: nil, sources: nil)
        entry = Glossary.measure(id, manoeuvre.id)
        sources ||= sources_of(entry)
        missing = sources.find { |name| !signals.signal?(name) }
        value = missing ? nil : value.call if value.respond_to?(:call)
        if missing || value.nil? || value.nan?
          return @taken[id] = not_recorded(entry, phase, sources, missing ? signals.reason(missing) : reason || GAP)
        end

        @taken[id] = Measure.new(
          id: id,
          phase: phase,
          value: value,
          unit: entry.unit,
          source: sources,
          estimated: signals.estimated?(*sources) || estimated_phase?(phase)
        )
      end

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

      def estimated_phase?(phase) = attempt.phase(phase)&.estimated || false

      def standard = context.standard_of(manoeuvre)

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

      # Lowest height over the ground in a stretch, without the tremble of its samples.
      def lowest_ft(from_s, to_s) =
        over(:agl, from_s, to_s) { |v| Recordings::Smoothing.mean(v, signals.samples(STEADY_S)).min - zero }

      # Largest heading change within a time, degrees, either way.
      def yaw_after(from_s, seconds)
        return Float::NAN if signals.native_step_s > SWINGS_S

        over(:heading, from_s, from_s + seconds) do |values|
          start = signals.at(:heading, from_s)
          start.nan? ? start : values.map { |v| (v - start).abs }.max
        end
      end

      def yaw_reason = signals.native_step_s > SWINGS_S ? TOO_SLOW : nil

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
        index && refine(agl, index, height_ft + zero)
      end

      # Motion through the air, m/s: the relative wind comes from where it goes.
      def air(index)
        speed = signals[:gs][index] * Quantities::KT
        track = signals[:track][index] * Quantities::DEG
        wind_north, wind_east = signals.wind.vector
        [(speed * Math.cos(track)) - wind_north, (speed * Math.sin(track)) - wind_east]
      end

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
