# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Level speed changes: 10 kt or more within ±100 ft (docs/reference/boundaries.md), from one steady speed to
      # another on one heading, high enough not to be a take-off or a landing.
      class LevelSpeedChangeFinder
        include Grading::Stretches

        LEAST_KT = 10.0
        # Seen to have begun after so much of it.
        BEGUN_KT = 3.0
        WITHIN_FT = 100.0
        ABOVE_FT = 100.0
        SLOWEST_KT = 25.0
        # Steady is a speed that changes by less than this, for so long, before and after.
        STEADY_KT_S = 0.4
        STEADY_S = 5.0
        LONGEST_S = 60.0
        HEADING_DEG = 30.0
        LEVEL_FPM = 250.0

        # @return [Array<Attempt>]
        def find = steady.each_cons(2).filter_map { |before, after| change(before.last, after.first) }

        private

        def steady
          return [] unless %i[agl ias sink].all? { |name| signals.signal?(name) }

          @steady ||=
            stretches(all, STEADY_S, hole_s: SHORT_HOLE_S) do |i|
              rate[i].abs < STEADY_KT_S && speed[i] > SLOWEST_KT && height(i) > ABOVE_FT && sink[i].abs < LEVEL_FPM
            end
        end

        # The speed leaves what it was; the one that it goes to is not reached.
        def begun(_found)
          from = steady.last&.last or return nil
          start = signals.time(from)
          return nil if signals.end_s - start > LONGEST_S || (speed[last_index] - speed[from]).abs < BEGUN_KT
          return nil if !level?(from..last_index) || !one_heading?(from..last_index) || overlaps?(start, signals.end_s)

          attempt('level_speed_change', [phase('level', start, signals.end_s)])
        end

        def speed = @speed ||= Recordings::Smoothing.mean(signals[:ias], signals.samples(1.0))
        def sink = @sink ||= Recordings::Smoothing.mean(signals[:sink], signals.samples(1.5))
        def rate = @rate ||= Recordings::Smoothing.rate(speed, signals.step_s, signals.samples(1.0))

        def change(from, to)
          start = signals.time(from)
          finish = signals.time(to)
          if finish - start > LONGEST_S || (speed[to] - speed[from]).abs < LEAST_KT || !level?(from..to) ||
              !one_heading?(from..to) || overlaps?(start, finish)
            return nil
          end

          attempt('level_speed_change', [phase('level', start, finish)])
        end

        def level?(range)
          heights = range.map { |i| height(i) }.reject(&:nan?)
          heights.any? && heights.max - heights.min <= 2.0 * WITHIN_FT &&
            heights.all? { |h| (h - Quantities.median(heights)).abs <= WITHIN_FT }
        end

        def one_heading?(range)
          name = %i[heading track].find { |channel| signals.signal?(channel) } or return true
          values = range.map { |i| signals[name][i] }.reject(&:nan?)
          values.empty? || values.max - values.min <= HEADING_DEG
        end
      end
    end
  end
end
