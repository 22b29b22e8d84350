# frozen_string_literal: true

module Fujin
  module Progress
    # Where a student stands in one manoeuvre.
    class Standing
      WINDOW = 5

      def initialize(attempts)
        @graded = attempts.reject { |a| a.level.nil? }.sort_by(&:flown_at)
      end

      def level = @graded.last&.level
      def last_flown = @graded.last&.on_day

      # 'rising', 'steady' or 'falling' from the slope of the last levels; nil with fewer than three.
      def trend
        levels = @graded.last(WINDOW).map(&:level)
        return nil if levels.size < 3

        slope = Recordings::Smoothing.fit(levels.each_index.map(&:to_f), levels.map(&:to_f), 1)[1]
        return 'steady' if slope.abs < 0.15

        slope.positive? ? 'rising' : 'falling'
      end

      # Several in a row under standard, and not rising.
      STUCK_AFTER = 4
      def stuck?
        last = @graded.last(STUCK_AFTER)
        last.size == STUCK_AFTER && last.all? { |attempt| attempt.level < 3 } && trend != 'rising'
      end

      # The phase with the lowest mean grade over the last attempts, the one to work on.
      def weakest_phase
        sums = @graded.last(WINDOW).each_with_object({}) do |attempt, found|
          attempt.grades.each { |phase, grade| (found[phase] ||= []) << grade unless grade.nil? }
        end
        sums.min_by { |_, grades| grades.sum / grades.size.to_f }&.first
      end
    end
  end
end
