# frozen_string_literal: true

module Fujin
  module Grading
    # Where a descent that ends at a sample began: sink over 150 ft/min held for 3 s, since the last level flight or
    # climb. For finders that include Stretches.
    module Descents
      SINK_FPM = 150.0
      HELD_S = 3.0
      # Level or climbing for so long, this high, is what came before the approach; lower down a moment of it, after
      # sinking too fast, is part of the approach.
      LEVEL_SINK_FPM = 100.0
      LEVEL_S = 4.0
      LEVEL_ABOVE_FT = 150.0
      LOW_LEVEL_S = 15.0
      LOW_LEVEL_ABOVE_FT = 40.0
      LEAST_LOST_FT = 80.0
      LONGEST_S = 180.0

      private

      def sink = @sink ||= Recordings::Smoothing.mean(signals[:sink], signals.samples(0.5))

      # Start of the descent that ends here, nil when there is none: the first sample since the last level flight or
      # climb from which the sink was held, high enough to be an approach.
      def descent_start(index)
        from = [index - signals.samples(LONGEST_S), 0].max
        before = level_before(index, from)
        first = first_held(before..index, HELD_S) { |i| sink[i] > SINK_FPM } or return nil
        height(first) - height(index) >= LEAST_LOST_FT ? signals.time(first) : nil
      end

      # Last sample before this one of level flight or climb, up high.
      def level_before(index, from)
        run = 0
        index.downto(from) do |i|
          run = height(i) > LOW_LEVEL_ABOVE_FT && sink[i] < LEVEL_SINK_FPM ? run + 1 : 0
          return i + run - 1 if run >= signals.samples(height(i) > LEVEL_ABOVE_FT ? LEVEL_S : LOW_LEVEL_S)
        end
        from
      end
    end
  end
end
