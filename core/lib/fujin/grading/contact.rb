# frozen_string_literal: true

module Fujin
  module Grading
    # The moment the skids meet the ground: where a quadratic through the last 1.5 s of zeroed height meets
    # zero, confirmed by four samples at or under 0.75 ft (MEASURES.md section 2).
    class Contact
      CONFIRM_FT = 0.75
      FIT_S = 1.5
      DEGREE = 2
      # How fast older samples lose weight; until when speeds are taken, counted back from the first low sample (a low
      # sample comes a little before the contact); over how long the lag is undone. Tuned on the model's touchdowns.
      FADE_S = 0.5
      SPEEDS_END_S = -0.2
      LOOK_BACK_S = 0.6

      # One standard deviation of a height and of a de-lagged vertical speed, to weigh them against each other.
      HEIGHT_SD_FT = 0.4
      SPEED_SD_FT_S = 1.0

      attr_reader :time_s, :sources

      # @return [Contact, nil] the first contact between two times
      def self.find(signals, from_s, to_s)
        return nil unless signals.signal?(:agl)

        index = touching_index(signals, signals.index(from_s), signals.index(to_s))
        index && new(signals, index)
      end

      def self.touching_index(signals, from, to)
        run = 0
        (from..to).each do |i|
          height = signals[:agl][i] - signals.agl_zero_ft
          run = height <= CONFIRM_FT ? run + 1 : 0
          return i - 3 if run == 4
        end
        nil
      end
      private_class_method :touching_index

      def initialize(signals, index)
        @signals = signals
        @low_s = signals.time(index)
        @sources = signals.signal?(:vs) ? %i[agl vs] : %i[agl]
        @time_s, @slope = weighted_meeting
      end

      # Sink at contact, ft/min, from height and de-lagged vertical speed together.
      def sink_fpm = @slope ? -60.0 * @slope : Float::NAN

      private

      # Tries meeting times about the first low sample: before each, a quadratic that ends at zero height is fitted to
      # heights and speeds; after it, the height is zero. The tries are averaged by how likely each makes the samples
      # (normal errors), so that two nearly equal ones do not flip the answer.
      # @return [Array(Float, Float)] time and slope of height (feet a second) at it
      def weighted_meeting
        speeds = de_lagged_speeds
        tries = (-0.5..0.7).step([@signals.step_s / 3.0, 0.04].max).filter_map do |offset|
          curve, misfit = fit(@low_s + offset, speeds)
          [@low_s + offset, curve[0], misfit] if curve && curve[0] <= 0.5
        end
        return [@low_s, nil] if tries.empty?

        best = tries.map(&:last).min
        weights = tries.map { |_, _, misfit| Math.exp((best - misfit) / 2.0) }
        [0, 1].map { |k| tries.each_index.sum { |i| tries[i][k] * weights[i] } / weights.sum }
      end

      # @return [Array] coefficients of h = a u + b u^2 with u = t - time, and the misfit of the whole window
      def fit(time, speeds)
        before, after = heights.partition { |t, _| t < time }
        return nil if before.size < 4

        rows = before.map { |t, h| [height_row(t - time), h, weight(t) / HEIGHT_SD_FT] } +
               speeds.map { |t, v| [speed_row(t - time), v, weight(t) / SPEED_SD_FT_S] }
        curve = least_squares(rows)
        return nil unless curve

        misfit = rows.sum { |row, y, weight| ((row.each_index.sum { |k| curve[k] * row[k] } - y) * weight)**2 }
        [curve, misfit + after.sum { |_, h| (h / HEIGHT_SD_FT)**2 }]
      end

      # The nearer the ground, the more a sample says of the contact.
      def weight(time) = Math.exp((time - @low_s) / FADE_S)

      def height_row(u) = (1..DEGREE).map { |k| u**k }
      def speed_row(u) = (1..DEGREE).map { |k| k * (u**(k - 1)) }

      def least_squares(rows)
        size = DEGREE
        matrix = (0...size).map { |r| (0...size).map { |c| rows.sum { |x, _, w| w * w * x[r] * x[c] } } }
        Recordings::Smoothing.solve(matrix, (0...size).map { |r| rows.sum { |x, y, w| w * w * x[r] * y } })
      end

      # Zeroed heights about the low sample, as [time, feet].
      def heights
        @heights ||= (@signals.index(@low_s - FIT_S)..@signals.index(@low_s + 1.0)).filter_map do |i|
          height = @signals[:agl][i] - @signals.agl_zero_ft
          [@signals.time(i), height] unless height.nan?
        end
      end

      # First-order lag undone: true = shown + lag * rate of shown; [time, feet a second, + up].
      def de_lagged_speeds
        return [] unless @signals.signal?(:vs)

        lag = VerticalSpeedLag.estimate(@signals, @low_s - 25.0, @low_s)
        width = [@signals.samples(LOOK_BACK_S), 2].max
        (@signals.index(@low_s - FIT_S)..@signals.index(@low_s - SPEEDS_END_S)).filter_map do |i|
          next if i < width

          value, slope = line_to(i, width)
          [@signals.time(i), (value + (lag * slope)) / 60.0] if value && !value.nan?
        end
      end

      # Value and slope at a sample of the line through it and those just before it: nothing from after the contact.
      def line_to(index, width)
        shown = @signals[:vs][(index - width)..index]
        Recordings::Smoothing.fit(shown.each_index.map { |k| (k - width) * @signals.step_s }, shown, 1)
      end
    end

    # How far a vertical-speed column lags the height column.
    module VerticalSpeedLag
      CANDIDATES = (0..20).map { |i| i * 0.1 }.freeze

      module_function

      # @return [Float] seconds; the lag whose first-order filter of the height's rate is nearest the column
      def estimate(signals, from_s, to_s)
        first = signals.index(from_s)
        last = signals.index(to_s)
        rate = signals[:sink][first..last].map { |v| -v }
        shown = signals[:vs][first..last]
        CANDIDATES.min_by { |lag| misfit(rate, shown, lag, signals.step_s) }
      end

      def misfit(rate, shown, lag, step)
        share = lag < step ? 1.0 : 1.0 - Math.exp(-step / lag)
        filtered = nil
        total = 0.0
        rate.each_index do |i|
          next if rate[i].nan? || shown[i].nan?

          filtered = filtered ? filtered + (share * (rate[i] - filtered)) : shown[i]
          total += (filtered - shown[i])**2
        end
        total
      end
    end
  end
end
