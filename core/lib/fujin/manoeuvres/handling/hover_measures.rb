# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Handling
      # Measures of what is flown in the hover: drift radius with its 95 % circle, height and heading bands, time in
      # the box, reversals of the controls, turn rate, and the tail rotor's exposure.
      class HoverMeasures
        include Grading::Measuring
        include Grading::PowerPull
        include Reversals
        include TurnRate

        NEVER_DOWN = 'it was never on the ground'

        # @return [Hash{String => Measure}] those that the manoeuvre declares
        def measures
          attempt.phases.each { |phase| take(phase.id, phase.start_s, phase.end_s) }
          @taken.slice(*manoeuvre.measure_ids)
        end

        def course_deg = nil
        def gate_s = nil

        private

        def take(id, from, to)
          take_place(id, from, to)
          put('hover_height_mean_ft', id, over(:agl, from, to) { |v| mean(v) - zero })
          put('hover_height_sd_ft', id, over(:agl, from, to) { |v| deviation(v) })
          put('hover_height_max_off_ft', id, over(:agl, from, to) { |v| largest_off(v, Quantities.median(v)) })
          put('held_s', id, to - from)
          put('hover_heading_max_deg', id, over(:heading, from, to) { |v| largest_off(v, Quantities.median(v)) })
          put('control_reversals_per_min', id, reversals(from, to))
          take_turn_rate(id, from, to)
          take_power_pull(id, from, to)
          take_ground(id, from, to)
        end

        def take_place(id, from, to)
          radii = signals.signal?(:lat) && signals.coverage(:lat, from, to) > 0.8 ? drift_radii(from, to) : []
          known = numbers(radii)
          put('hover_drift_max_ft', id, known.max)
          put('hover_drift_rms_ft', id, known.empty? ? nil : Math.sqrt(known.sum { |r| r * r } / known.size))
          put('hover_drift_95_ft', id, known.empty? ? nil : known.sort[(0.95 * (known.size - 1)).round])
          put('hover_in_box_pct', id, -> { in_box_pct(radii, from, to) })
        end

        # Share of the time inside the stage's box: radius about the middle, height and heading about their medians; of
        # the moments at which all three were recorded.
        def in_box_pct(radii, from, to)
          range = range_of(from, to)
          rows =
            radii
              .zip(range.map { |i| signals[:agl][i] }, range.map { |i| signals[:heading][i] })
              .reject { |row| row.any?(&:nan?) }
          return nil if rows.empty?

          limits = HoverPlan::BOXES.fetch(context.stage).first(3)
          middle = [0.0, *rows.transpose.drop(1).map { |values| Quantities.median(values) }]
          100.0 * rows.count { |row| row.each_index.all? { |k| (row[k] - middle[k]).abs <= limits[k] } } / rows.size
        end

        # Distance from the middle of where it hovered at each sample, feet, satellite tremble smoothed off; NaN in a
        # gap.
        def drift_radii(from, to)
          range = range_of(from, to)
          first = range.find { |i| !signals[:lat][i].nan? && !signals[:lon][i].nan? } or return []
          about = Grading::AboutSpot.new(signals, [signals[:lat][first], signals[:lon][first]], 0.0)
          north, east =
            range
              .map { |i| about.place(i) }
              .transpose
              .map { |values| Recordings::Smoothing.mean(values, signals.samples(0.5)) }
          middle = [Quantities.median(numbers(north)), Quantities.median(numbers(east))]
          north.zip(east).map { |n, e| Math.hypot(n - middle[0], e - middle[1]) }
        end

        def deviation(values)
          m = mean(values)
          Math.sqrt(values.sum { |v| (v - m)**2 } / values.size)
        end

        # Light on the skids: how the ground was left or met. Sideways or rearward motion there is what rolls an
        # aircraft over.
        def take_ground(id, from, to)
          low =
            if signals.signal?(:agl)
              range_of(from, to).select { |i| signals[:agl][i] - zero < LiftOffFinder::GROUND_FT }
            else
              []
            end
          put('ground_contact_kt', id, -> { numbers(low.map { |i| signals[:gs][i] }).max }, reason: NEVER_DOWN)
          put('ground_roll_deg', id, -> { roll_off(low, from, to) }, reason: NEVER_DOWN)
          put('set_down_sink_fpm', id, low.any? ? over(:sink, from, to, &:max) : nil, reason: NEVER_DOWN)
        end

        # Largest roll near the ground against what it had on the whole.
        def roll_off(low, from, to)
          all = signals.window(:roll, from, to)
          all.empty? ? nil : numbers(low.map { |i| (signals[:roll][i] - Quantities.median(all)).abs }).max
        end
      end
    end
  end
end
