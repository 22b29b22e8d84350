# frozen_string_literal: true

module Fujin
  module Recordings
    # How evenly spaced signals are read: at a moment, up to one, over a stretch. What includes it has `[]`, `start_s`,
    # `step_s`, `size` and `recording`, and keeps what was smoothed as it was before in `@unsmoothed`.
    module Sampled
      UP_TO_S = 0.5

      # Can a moment of the day be found in it?
      def clocked? = !recording.clock_s.nil?
      # Recording time of a moment, seconds since 1970.
      def at_clock(epoch_s) = epoch_s - recording.clock_s
      def time(index) = start_s + (index * step_s)
      def end_s = time(size - 1)
      def index(time_s) = ((time_s - start_s) / step_s).round.clamp(0, size - 1)

      # Value at a time by straight line; NaN outside or where not recorded.
      def at(name, time_s)
        values = self[name]
        return Float::NAN unless values

        place = (time_s - start_s) / step_s
        lower = place.floor
        return Float::NAN if lower.negative? || lower > size - 1
        return values[lower] if lower == size - 1

        values[lower] + ((values[lower + 1] - values[lower]) * (place - lower))
      end

      # Value that it came to at a moment after which it is another, such as a contact: where a line through the last
      # half second before leads to, nothing smoothed across. NaN where too little was recorded.
      def up_to(name, time_s)
        values = self[name] or return Float::NAN
        values = @unsmoothed.fetch(name, values)
        from = [((time_s - UP_TO_S - start_s) / step_s).ceil, 0].max
        to = [((time_s - start_s) / step_s).floor, size - 1].min
        known = (from..to).reject { |i| values[i].nan? }
        return at(name, time_s) if known.size < 3

        line = Smoothing.fit(known.map { |i| time(i) - time_s }, known.map { |i| values[i] }, 1)
        line ? line[0] : at(name, time_s)
      end

      # Samples from one time to another, NaN left out.
      def window(name, from_s, to_s)
        values = self[name]
        return [] if values.nil? || to_s < from_s

        values[index(from_s)..index(to_s)].reject(&:nan?)
      end

      # Share of a stretch in which a signal was recorded, 0 to 1.
      def coverage(name, from_s, to_s)
        values = self[name]
        return 0.0 if values.nil? || to_s < from_s

        part = values[index(from_s)..index(to_s)]
        part.count { |v| !v.nan? } / part.size.to_f
      end

      def samples(seconds) = (seconds / step_s).round
    end
  end
end
