# frozen_string_literal: true

module Fujin
  module Grading
    # The moments at which the engine stopped driving the rotor (docs/reference/boundaries.md, 'Closure'): the throttle
    # if it was recorded, otherwise the needles, the power instrument, the collective, the rotor, the sink.
    class Closures
      # Power-instrument readings taken as idle and as clearly driving.
      IDLE = { map: [13.5, 16.0], tq: [8.0, 20.0] }.freeze
      # Closed lower than this it is a hover's.
      HOVER_FT = 15.0
      # A throttle closed.
      IDLE_THROTTLE_PCT = 10.0
      # Engine rpm so far under rotor rpm is parted from it, points.
      JOINED_PCT = 1.0
      # By the sink: where it begins, what a glide sinks by at least on its way to so low, how long that takes at least;
      # energy is lost faster than this once the engine is gone, and it went so long before that shows.
      STARTS_FPM = 500.0
      GLIDE_FPM = 1220.0
      LOW_FT = 150.0
      LEAST_S = 6.0
      LEFT_LEVEL_FPM = 700.0
      BEFORE_S = 0.5
      SLOPE_S = 1.0
      # What tells it, the surest first.
      SOURCES = %i[throttle ne power collective nr sink].freeze

      # @param signals [Recordings::Signals]
      def initialize(signals)
        @signals = signals
      end

      # @return [Array(Array<Float>, Boolean)] confirmed times in order, and whether they are estimated
      def find
        times, estimated = all
        [times.select { |t| confirmed?(t) }, estimated]
      end

      # Confirmed by a descent or not: low in a hover there is none.
      def all
        source = SOURCES.find { |name| @signals.signal?(name) && (name != :ne || @signals.signal?(:nr)) }
        return [[], true] unless source

        found =
          case source
          when :throttle then by_throttle
          when :ne then by_ne
          when :power then by_power
          when :collective then by_collective
          when :nr then by_nr
          when :sink then by_sink
          end
        [found, source != :throttle]
      end

      # Is the engine at idle at this sample, as far as the file can tell? nil when it can't.
      def idle?(index)
        throttle = @signals[:throttle]
        return throttle[index] < IDLE_THROTTLE_PCT if throttle && !throttle[index].nan?

        IDLE.each do |name, (idle, _)|
          values = @signals[name]
          return values[index] < idle if values && !values[index].nan?
        end
        ne = @signals[:ne]
        nr = @signals[:nr]
        return nr[index] - ne[index] > JOINED_PCT if ne && nr && !ne[index].nan? && !nr[index].nan?

        nil
      end

      # Does the engine drive the rotor at this sample? Needles joined are driven, whatever a governor asks for: light
      # and downhill it asks for next to nothing. nil when the file can't tell.
      def driven?(index)
        ne = @signals[:ne]
        nr = @signals[:nr]
        return nr[index] - ne[index] <= JOINED_PCT if ne && nr && !ne[index].nan? && !nr[index].nan?

        idle?(index)&.!
      end

      private

      # Under 10 now, over 20 within the second before.
      def by_throttle = falls(@signals[:throttle], 20.0, IDLE_THROTTLE_PCT, 1.0)

      # Engine rpm leaves rotor rpm by over 1 point and goes on to 3.
      def by_ne
        gap = @signals[:nr].zip(@signals[:ne]).map { |nr, ne| nr - ne }
        crossings(gap, 1.0)
          .select { |i| gap[i, @signals.samples(2.0)].any? { |v| v > 3.0 } }
          .map { |i| @signals.time(i) }
      end

      def by_power
        name = @signals.signal?(:tq) ? :tq : :map
        idle, driving = IDLE[name]
        falls(@signals[name], driving, idle, 2.0)
      end

      # A fall of 60 % of its value within 2 s, less half a second.
      def by_collective
        values = @signals[:collective]
        back = @signals.samples(2.0)
        hits = (back...values.size).select { |i| values[i - back] > 15.0 && values[i] < 0.4 * values[i - back] }
        first_of_runs(hits, back).map do |i|
          top = ((i - back)..i).max_by { |k| values[k].nan? ? -1.0 : values[k] }
          start = (top..i).find { |k| values[k] < values[top] - 5.0 } || top
          @signals.time(start) - 0.5
        end
      end

      # Rotor rpm falls over 2 points in half a second; back-dated to its last 99.
      def by_nr
        values = @signals[:nr]
        back = [@signals.samples(0.5), 1].max
        hits = (back...values.size).select { |i| values[i - back] - values[i] > 2.0 }
        first_of_runs(hits, @signals.samples(4.0)).map do |i|
          start = i.downto([i - @signals.samples(4.0), 0].max).find { |k| values[k] >= 99.0 } || (i - back)
          @signals.time(start)
        end
      end

      # Sink passes 500 ft/min and it does not climb again before 150 ft, sinking by more than powered flight does on
      # the way. When the engine went is told by energy: speed that comes off hides the sink for a while.
      def by_sink
        sink = @signals[:sink]
        energy = energy_sink
        crossings(sink, STARTS_FPM).filter_map do |i|
          low = low_index(i)
          next unless low && low - i >= @signals.samples(LEAST_S)

          way = sink[i..low].reject(&:nan?)
          next if way.empty? || way.min.negative? || way.sum / way.size < GLIDE_FPM

          from = i.downto(0).find { |k| energy[k] < LEFT_LEVEL_FPM } || i
          @signals.time(from) - BEFORE_S
        end
      end

      # First sample after it at or under 150 ft above the ground, or the lowest of the descent where that is not known.
      def low_index(from)
        height = @signals[:agl] || @signals[:alt] or return [from + @signals.samples(20.0), @signals.size - 1].min
        floor = @signals[:agl] ? @signals.agl_zero_ft + LOW_FT : height.reject(&:nan?).min + LOW_FT
        (from...@signals.size).find { |k| height[k] <= floor }
      end

      # Loss of height and speed together, as sink, ft/min.
      def energy_sink
        height = @signals[:agl] || @signals[:alt]
        speed = @signals[:airspeed]
        return @signals[:sink] unless height && speed

        energy = height.zip(speed).map { |ft, kt| ft + (((kt * Quantities::KT)**2) / (2.0 * Quantities::G) / Quantities::FT) }
        half = @signals.samples(SLOPE_S)
        Recordings::Smoothing.rate(Recordings::Smoothing.mean(energy, half), @signals.step_s, half).map { |v| -60.0 * v }
      end

      def falls(values, high, low, within_s)
        back = [@signals.samples(within_s), 1].max
        (1...values.size).select do |i|
          values[i] < low && values[i - 1] >= low && values[[i - back, 0].max..i].any? { |v| v > high }
        end.map { |i| half_way_down(values, i, back) }
      end

      # A slow recorder shows the fall between two of its samples: its middle is the fairest guess.
      def half_way_down(values, index, back)
        first = [index - back, 0].max
        level = (values[first..index].reject(&:nan?).max + values[index]) / 2.0
        after = (first..index).find { |i| values[i] < level } || index
        return @signals.time(index) if after == first

        before = values[after - 1]
        return @signals.time(after) if before.nan?

        @signals.time(after) - (@signals.step_s * ((level - values[after]) / (before - values[after])))
      end

      def crossings(values, level) = (1...values.size).select { |i| values[i] > level && values[i - 1] <= level }

      # The first index of each run of hits; hits closer than `spacing` samples belong to one run.
      def first_of_runs(indices, spacing) = indices.slice_when { |a, b| b - a > spacing }.map(&:first)

      # Sink over 800 ft/min with low power for 6 s, within 20 s; without a height or sink, the low power alone.
      def confirmed?(time)
        from = @signals.index(time)
        to = @signals.index(time + 20.0)
        needed = @signals.samples(6.0)
        run = 0
        (from..to).each do |i|
          sinking = @signals[:sink].nil? || @signals[:sink][i] > 800.0
          run = sinking && idle?(i) != false ? run + 1 : 0
          return true if run >= needed
        end
        false
      end
    end
  end
end
