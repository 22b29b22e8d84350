# frozen_string_literal: true

module Fujin
  module Grading
    # Measures of a turn about a point: the radius and whether it is kept, height, bank against what the ground speed asks for
    # at the planned radius, tan(bank) = V²/(g·R).
    class TurnAboutAPointMeasures
      include Measuring

      # @return [Hash{String => Measure}]
      def measures
        phase = attempt.phase('turn')
        @range = signals.index(phase.start_s)..signals.index(phase.end_s)
        @around = TurnAboutAPointFinder::Around.new(signals, context.spot)
        take_radius
        heights = over(:agl, phase.start_s, phase.end_s) { |v| v.map { |h| h - zero } }
        put('turn_height_max_off_ft', 'turn', heights.is_a?(Array) ? heights.map { |h| (h - mean(heights)).abs }.max : nil, :agl)
        put('turn_bank_max_deg', 'turn', over(:roll, phase.start_s, phase.end_s) { |v| v.map(&:abs).max }, :roll)
        put('turn_bank_off_deg', 'turn', bank_off, %i[roll gs], uncertainty: 1.0)
        @taken
      end

      def course_deg = nil
      def gate_s = nil

      private

      def planned_ft = context.figure.value('turn_radius_ft')

      def take_radius
        radii = @range.map { |i| @around.radius_ft[i] }
        put('turn_radius_mean_ft', 'turn', mean(radii), %i[lat lon], uncertainty: 10.0)
        put('turn_radius_max_off_ft', 'turn', radii.map { |r| (r - planned_ft).abs }.max, %i[lat lon], uncertainty: 10.0)
        put('spiral_ft', 'turn', slope(@range.map do |i|
          @around.bearing_deg[i] / 360.0
        end, radii) * (@around.swept_deg(@range.first, @range.last) <=> 0.0), %i[lat lon], uncertainty: 10.0)
      end

      # Feet of radius a full turn, + outwards: the straight line through radius against the way round.
      def slope(turns, radii)
        middle = mean(turns)
        high = mean(radii)
        turns.zip(radii).sum { |t, r| (t - middle) * (r - high) } / turns.sum { |t| (t - middle)**2 }
      end

      # Root mean square difference from the bank that is wanted.
      def bank_off
        return nil unless signals.signal?(:roll)

        off = @range.map { |i| signals[:roll][i].abs - (Math.atan(((signals[:gs][i] * Quantities::KT)**2) / (Quantities::G * planned_ft * Quantities::FT)) / Quantities::DEG) }
        good = off.reject(&:nan?)
        good.empty? ? nil : Math.sqrt(good.sum { |v| v * v } / good.size)
      end
    end
  end
end
