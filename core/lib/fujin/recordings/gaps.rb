# frozen_string_literal: true

module Fujin
  module Recordings
    # Blank stretches of a channel: up to 0.5 s are bridged, up to 2 s bridged and marked, longer ones
    # stay 'not recorded' (docs/reference/boundaries.md). A slow recorder's own spacing is no gap.
    module Gaps
      SILENT_S = 0.5
      LONGEST_S = 2.0

      module_function

      # Fills `values` in place.
      # @return [Array<Array(Float, Float)>] the marked stretches [from_s, to_s], in order, merged
      def bridge(times, values, notes)
        step = Quantities.median(times.each_cons(2).take(2000).map { |a, b| b - a })
        marked = values.flat_map { |title, channel| bridge_channel(times, channel, title, step) }
        missing = time_gaps(times, step)
        unless missing.empty?
          longest = missing.map { |from, to| to - from }.max
          notes << Text.of('%{missing} gaps in time, the longest %{longest} s',
                           missing: missing.size, longest: longest.round(1))
        end
        merge(marked + missing.select { |from, to| (to - from).between?(SILENT_S, LONGEST_S) })
      end

      # Stretches without rows, longer than three samples and half a second.
      def time_gaps(times, step)
        limit = [SILENT_S, 3.0 * step].max
        times.each_cons(2).select { |a, b| b - a > limit }
      end

      def bridge_channel(times, channel, title, step)
        marked = []
        index = 0
        while index < channel.size
          unless channel[index].nan?
            index += 1
            next
          end
          stop = index
          stop += 1 while stop < channel.size && channel[stop].nan?
          fill(times, channel, title, index, stop, step, marked) if index.positive? && stop < channel.size
          index = stop
        end
        marked
      end

      def fill(times, channel, title, from, stop, step, marked)
        length = times[stop] - times[from - 1]
        return if length - step > LONGEST_S

        first = channel[from - 1]
        change = Channels::ANGLES.include?(title) ? Quantities.wrap_deg(channel[stop] - first) : channel[stop] - first
        (from...stop).each { |i| channel[i] = first + (change * (times[i] - times[from - 1]) / length) }
        marked << [times[from - 1], times[stop]] if length - step > SILENT_S
      end

      def merge(stretches)
        stretches.sort.each_with_object([]) do |(from, to), merged|
          if merged.any? && from <= merged.last[1]
            merged.last[1] = [merged.last[1], to].max
          else
            merged << [from, to]
          end
        end
      end
    end
  end
end
