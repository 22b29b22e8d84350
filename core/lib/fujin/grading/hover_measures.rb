# frozen_string_literal: true

module Fujin
  module Grading
    # Measures of what is flown in the hover: drift radius with its 95 % circle, height and heading bands, time in the box,
    # reversals of the controls, turn rate, and the tail rotor's exposure.
    class HoverMeasures
      include Measuring
      include PowerPull

      # A control reverses when it comes back by this share of its travel, percent.
      REVERSAL_PCT = 2.0

      # @return [Hash{String => Measure}] those that the manoeuvre declares
      def measures
        attempt.phases.each { |phase| take(phase.id, phase.start_s, phase.end_s) }
        @taken.slice(*Manoeuvres.find(attempt.manoeuvre).measure_ids)
      end

      def course_deg = nil
      def gate_s = nil

      private

      def take(id, from, to)
        take_place(id, from, to)
        heights = over(:agl, from, to) { |v| v.map { |h| h - zero } }
        put('hover_height_mean_ft', id, heights.is_a?(Array) ? mean(heights) : nil, :agl, uncertainty: 0.5)
        put('hover_height_sd_ft', id, heights.is_a?(Array) ? deviation(heights) : nil, :agl, uncertainty: 0.3)
        put('hover_height_max_off_ft', id, heights.is_a?(Array) ? Quantities.median(heights).then { |m| heights.map { |h| (h - m).abs }.max } : nil, :agl, uncertainty: 1.0)
        put('held_s', id, to - from, :agl, uncertainty: 1.0)
        put('hover_heading_max_deg', id, over(:heading, from, to) { |v| Quantities.median(v).then { |m| v.map { |h| (h - m).abs }.max } }, :heading)
        put('control_reversals_per_min', id, reversals(from, to), :collective, uncertainty: 2.0)
        put('turn_rate_mean_deg_s', id, over(:heading, from, to) { |v| (v.last - v.first).abs / (to - from) }, :heading, uncertainty: 1.0)
        put('turn_rate_max_deg_s', id, turn_rate_max(from, to), :heading, uncertainty: 3.0)
        take_power_pull(id, from, to)
        take_ground(id, from, to)
      end

      def take_place(id, from, to)
        radii = drift_radii(from, to)
        put('hover_drift_max_ft', id, radii&.max, %i[lat lon], uncertainty: 2.0)
        put('hover_drift_rms_ft', id, radii && Math.sqrt(radii.sum { |r| r * r } / radii.size), %i[lat lon], uncertainty: 1.0)
        put('hover_drift_95_ft', id, radii && radii.sort[(0.95 * (radii.size - 1)).round], %i[lat lon], uncertainty: 1.5)
        put('hover_in_box_pct', id, radii && in_box_pct(radii, from, to), %i[lat lon agl heading], uncertainty: 5.0)
      end

      # Share of the time inside the stage's box: radius about the middle, height and heading about their medians.
      def in_box_pct(radii, from, to)
        return nil unless signals.signal?(:agl) && signals.signal?(:heading)

        radius, height, heading, = Planning::HoverPlan::BOXES.fetch(context.stage)
        heights = signals.window(:agl, from, to)
        headings = signals.window(:heading, from, to)
        middle = [Quantities.median(heights), Quantities.median(headings)]
        rows = radii.zip(heights, headings).reject { |row| row.any? { |v| v.nil? || v.nan? } }
        return nil if rows.empty?

        100.0 * rows.count { |r, h, n| r <= radius && (h - middle[0]).abs <= height && (n - middle[1]).abs <= heading } / rows.size
      end

      # Distances from the middle of where it hovered, feet, satellite tremble smoothed off.
      def drift_radii(from, to)
        return nil unless signals.signal?(:lat) && signals.coverage(:lat, from, to) > 0.8

        range = signals.index(from)..signals.index(to)
        map = LocalMap.new(signals[:lat][range.first], signals[:lon][range.first])
        places = range.map { |i| map.north_east(signals[:lat][i], signals[:lon][i]) }
        north, east = places.transpose.map { |values| Recordings::Smoothing.mean(values, signals.samples(0.5)) }
        middle = [Quantities.median(north), Quantities.median(east)]
        north.zip(east).map { |n, e| Math.hypot(n - middle[0], e - middle[1]) / Quantities::FT }.reject(&:nan?)
      end

      def deviation(values)
        m = mean(values)
        Math.sqrt(values.sum { |v| (v - m)**2 } / values.size)
      end

      def turn_rate_max(from, to)
        return nil unless signals.signal?(:heading)

        rate = Recordings::Smoothing.rate(smoothed(:heading, from, to), signals.step_s, signals.samples(0.5))
        rate.map(&:abs).reject(&:nan?).max
      end

      # Light on the skids: how the ground was left or met. Sideways or rearward motion there is what rolls an aircraft over.
      def take_ground(id, from, to)
        low = (signals.index(from)..signals.index(to)).select { |i| signals[:agl][i] - zero < LiftOffFinder::GROUND_FT }
        put('ground_contact_kt', id, low.map { |i| signals[:gs][i] }.reject(&:nan?).max, :gs, reason: 'it was never on the ground')
        put('ground_roll_deg', id, signals.signal?(:roll) ? roll_off(low, from, to) : nil, :roll, reason: 'it was never on the ground')
        put('set_down_sink_fpm', id, low.any? ? over(:sink, from, to, &:max) : nil, :sink, reason: 'it was never on the ground')
      end

      # Largest roll near the ground against what it had on the whole.
      def roll_off(low, from, to)
        usual = Quantities.median(signals.window(:roll, from, to))
        low.map { |i| (signals[:roll][i] - usual).abs }.reject(&:nan?).max
      end

      # How often the hands went back on themselves: collective and pedals together, the recorder's tremble smoothed off.
      def reversals(from, to)
        minutes = (to - from) / 60.0
        %i[collective pedal].select { |name| signals.signal?(name) }.sum { |name| turns_back(smoothed(name, from, to)) } / minutes
      end

      def smoothed(name, from, to)
        Recordings::Smoothing.mean(signals[name][signals.index(from)..signals.index(to)], signals.samples(0.3)).reject(&:nan?)
      end

      def turns_back(values)
        count = 0
        direction = 0
        extreme = values.first
        values.each do |value|
          move = value - extreme
          if direction.zero?
            next if move.abs <= REVERSAL_PCT

            direction = move <=> 0
            extreme = value
          elsif (move * direction).positive?
            extreme = value
          elsif move.abs > REVERSAL_PCT
            count += 1
            direction = -direction
            extreme = value
          end
        end
        count
      end
    end
  end
end
