# frozen_string_literal: true

module Fujin
  module Grading
    # The moment the skids meet the ground: where a quadratic through the last of the zeroed height meets zero,
    # confirmed by two samples over a tenth of a second at or under 0.75 ft (docs/reference/boundaries.md). Of the 1.5 s
    # named there the last 1.3 are taken, fading quickly backwards: a cushion bends more than a quadratic over longer,
    # which read soft contacts too soft and hard ones too hard. How much it bends is held to what a hand on the
    # collective does.
    class Contact
      CONFIRM_FT = 0.75
      CONFIRM_S = 0.1
      FIT_S = 1.3
      LEAST_BEFORE = 4
      # How fast older samples lose weight.
      FADE_S = 0.6
      # The stop on the ground tells the lag of a vertical speed that was steady before.
      LAG_AFTER_S = 2.0
      # Least standard deviation of a height (what it is, each file tells), and that of a shown vertical speed with what
      # the quadratic misses.
      LEAST_HEIGHT_SD_FT = 0.08
      SPEED_SD_FT_S = 0.7
      # Usual size of the quadratic's second coefficient, half the acceleration: a strong cushion is about a quarter of
      # g.
      BEND_SD_FT_S2 = 4.0
      # Heights alone tell the sink to 100 ft/min only where they are steadier than this.
      ROUGHEST_FT = 1.0

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
          return i - run + 1 if run >= 2 && (run - 1) * signals.step_s >= CONFIRM_S - 1e-6
        end
        nil
      end
      private_class_method :touching_index

      def initialize(signals, index)
        @signals = signals
        @low_s = signals.time(index)
        @sources = signals.signal?(:vs) ? %i[agl vs] : %i[agl]
        @time_s, @slope, @bend = weighted_meeting
      end

      # Sink at contact, ft/min, from height and de-lagged vertical speed together.
      def sink_fpm = @slope && !too_rough? ? -60.0 * @slope : Float::NAN

      # Why there is no sink to be had.
      def reason =
        if too_rough?
          Text.of('heights in this file tremble by ±%{sd} ft and there is no vertical speed beside them',
                  sd: height_sd_ft.round(1))
        else
          nil
        end

      private

      def too_rough? = !@sources.include?(:vs) && height_sd_ft > ROUGHEST_FT

      # Tries meeting times about the first low sample: before each, a quadratic that ends at zero height is fitted to
      # heights and speeds; after it, the height is zero. The tries are averaged by how likely each makes the samples
      # (normal errors), so that two nearly equal ones do not flip the answer.
      # @return [Array(Float, Float, Float)] time, slope of height (feet a second) at it and bend (feet a second
      #   squared)
      def weighted_meeting
        tries = (-0.5..0.7).step([@signals.step_s / 5.0, 0.02].max).filter_map do |offset|
          curve, misfit = fit(@low_s + offset)
          [@low_s + offset, curve[0], curve[1], misfit] if curve && curve[0] <= 0.5
        end
        return [@low_s, nil, 0.0] if tries.empty?

        best = tries.map(&:last).min
        weights = tries.map { |*_, misfit| Math.exp((best - misfit) / 2.0) }
        [0, 1, 2].map { |k| tries.each_index.sum { |i| tries[i][k] * weights[i] } / weights.sum }
      end

      # Asked some sixty times a contact, and each contact again for what the recording leaves open: bare loops.
      # @return [Array] coefficients of h = a u + b u^2 with u = t - time, and the misfit of the whole window
      def fit(time)
        before = heights.bsearch_index { |t, _| t >= time } || heights.size
        return nil if before < LEAST_BEFORE

        sums = TwoTermFit.new
        sums.take(0.0, 1.0, 0.0, 1.0 / (BEND_SD_FT_S2**2))
        take_heights(sums, time, before)
        take_speeds(sums, time)
        curve = sums.coefficients
        curve && [curve, sums.misfit(*curve) + heights[before..].sum { |_, height, weight| height * height * weight }]
      end

      # Those before the time; after it the aircraft stands on the ground.
      def take_heights(sums, time, count)
        i = -1
        while (i += 1) < count
          t, height, weight = heights[i]
          u = t - time
          sums.take(u, u * u, height, weight)
        end
      end

      # What the vertical-speed column would show of such a descent: its slope before the time and nothing after,
      # through the column's own first-order lag, from what it showed at the beginning.
      def take_speeds(sums, time)
        steady = bend = 0.0
        speeds.each do |t, shown, weight|
          still = t < time
          steady += lag_share * ((still ? 1.0 : 0.0) - steady)
          bend += lag_share * ((still ? 2.0 * (t - time) : 0.0) - bend)
          sums.take(steady, bend, shown, weight)
        end
      end

      # The nearer the contact, the more a sample says of it.
      def weight(time, deviation) = (Math.exp(-(@low_s - time).abs / FADE_S) / deviation)**2

      # Noise of the heights in this file, from their second differences about the contact.
      def height_sd_ft
        @height_sd_ft ||= begin
          bends = zeroed.each_cons(3).map { |(_, a), (_, b), (_, c)| a - (2.0 * b) + c }
          [Math.sqrt(bends.sum { |bend| bend * bend } / ([bends.size, 1].max * 6.0)), LEAST_HEIGHT_SD_FT].max
        end
      end

      # Zeroed heights about the low sample, as [time, feet].
      def zeroed
        @zeroed ||= (@signals.index(@low_s - FIT_S)..@signals.index(@low_s + 1.0)).filter_map do |i|
          height = @signals[:agl][i] - @signals.agl_zero_ft
          [@signals.time(i), height] unless height.nan?
        end
      end

      # The same with what each says.
      def heights = @heights ||= zeroed.map { |t, height| [t, height, weight(t, height_sd_ft)] }

      # What the column shows about the low sample beside what is left of its first, feet a second + up, as [time,
      # speed, weight]; empty when it was not recorded there.
      def speeds
        @speeds ||= begin
          range = @signals.signal?(:vs) ? (@signals.index(@low_s - FIT_S)..@signals.index(@low_s + 1.0)) : []
          shown = range.map { |i| @signals[:vs][i] / 60.0 }
          range = [] if shown.any?(&:nan?)
          range.drop(1).each_with_index.map do |i, n|
            t = @signals.time(i)
            [t, shown[n + 1] - (shown[0] * ((1.0 - lag_share)**(n + 1))), weight(t, SPEED_SD_FT_S)]
          end
        end
      end

      def lag_share
        @lag_share ||= begin
          lag = VerticalSpeedLag.estimate(@signals, @low_s - 25.0, @low_s + LAG_AFTER_S)
          lag < @signals.step_s ? 1.0 : Lag.share(@signals.step_s, lag)
        end
      end
    end
  end
end
