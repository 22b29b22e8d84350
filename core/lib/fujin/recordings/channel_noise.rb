# frozen_string_literal: true

module Fujin
  module Recordings
    # How much a channel of this file trembles: one standard deviation of its readings, from the file itself.
    #
    # Second differences of even samples with independent errors have a variance of six times that of one of them, and
    # the median of their size is 1/1.48 of its root; what really moved bends little between neighbours, least in the
    # quieter quarter of ten-second windows. To it comes what rounding to the recorder's steps hides, a twelfth of a
    # step squared.
    module ChannelNoise
      WINDOW_S = 10.0
      # As many windows, spread over the file, tell as much as all.
      MOST_WINDOWS = 60
      MEDIAN_TO_SD = 1.48

      # @param values [Array<Float>] evenly spaced readings, NaN where there is none
      # @param step_s [Float] between them
      # @return [Float] in the channel's unit
      def self.sd(values, step_s)
        size = [(WINDOW_S / step_s).round, 6].max
        windows = values.each_slice(size).to_a
        windows = windows.each_slice((windows.size.to_f / MOST_WINDOWS).ceil).map(&:first)
        found = windows.filter_map { |window| trembling(window) }.sort
        Math.hypot(found.empty? ? 0.0 : found[found.size / 4], finest_step(windows) / Math.sqrt(12.0))
      end

      def self.trembling(window)
        bends = window.each_cons(3).filter_map do |a, b, c|
          bend = (a - (2.0 * b) + c).abs
          bend unless bend.nan?
        end
        bends.size < 4 ? nil : MEDIAN_TO_SD * Quantities.median(bends) / Math.sqrt(6.0)
      end
      private_class_method :trembling

      # The smallest change that the recorder writes; not to be told of what hardly ever changed.
      def self.finest_step(windows)
        changes = windows.flat_map { |window| window.each_cons(2).map { |a, b| (b - a).abs } }.select { |d| d > 1e-9 }
        changes.size < MOST_WINDOWS ? 0.0 : changes.min
      end
      private_class_method :finest_step
    end
  end
end
