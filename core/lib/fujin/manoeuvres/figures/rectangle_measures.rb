# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      # Measures of a rectangle, side by side: distance from the planned line, wind correction against what the wind
      # asks for, the turn at the corner against the one required, height, bank.
      class RectangleMeasures
        include Grading::Measuring
        include Grading::SetUp

        # @return [Hash{String => Measure}]
        def measures
          sides = attempt.phases.map(&:id)
          attempt.phases.each_with_index { |phase, i| take_side(phase, attempt.phase(sides[i + 1])) }
          worst = attempt.phases.max_by { |phase| @taken["#{phase.id}_track_error_ft"]&.value || 0.0 }
          put(
            'track_error_max_ft',
            worst.id,
            @taken["#{worst.id}_track_error_ft"]&.value,
            reason: 'the sortie marks no spot'
          )
          take_trim(attempt.phases.first.id, attempt.start_s, attempt.start_s + TRIM_S)
          @taken
        end

        def course_deg = context.course_deg
        def gate_s = nil

        private

        def plan = context.plan_of(manoeuvre)
        def figure = @figure ||= PlannedFigure.new(plan)
        def wind = signals.wind || context.conditions.wind
        def true_kt = context.conditions.atmosphere.true_speed(plan.value('entry_speed_kt'))

        def take_side(phase, following)
          from = phase.start_s
          to = phase.end_s
          put("#{phase.id}_track_error_ft", phase.id, -> { track_error(from, to) }, reason: 'the sortie marks no spot')
          put("#{phase.id}_wind_correction_off_deg", phase.id, correction_off(phase))
          put(
            "#{phase.id}_height_max_off_ft",
            phase.id,
            over(:agl, from, to) { |v| largest_off(v, zero + plan.value('entry_height_ft')) }
          )
          put("#{phase.id}_bank_max_deg", phase.id, over(:roll, from, to) { |v| v.map(&:abs).max })
          put("#{phase.id}_turn_off_deg", phase.id, turn_off(phase, following)) if following
        end

        # Farthest from the planned line.
        def track_error(from, to)
          return nil unless context.spot && signals.coverage(:lat, from, to) > 0.8

          about = Grading::AboutSpot.new(signals, context.spot, plan.course_deg)
          every = [signals.samples(RectangleFinder::LOOK_EVERY_S), 1].max
          range_of(from, to)
            .step(every)
            .map { |i| about.place(i) }
            .reject { |along, _| along.nan? }
            .map { |place| figure.nearest(*place).beside_ft }
            .max
        end

        # The middle of a side, out of its corners.
        def straight(phase)
          fifth = (phase.end_s - phase.start_s) / 5.0
          [phase.start_s + (1.5 * fifth), phase.end_s - (1.5 * fifth)]
        end

        def middle(name, phase) =
          signals.signal?(name) ? over(name, *straight(phase)) { |v| Quantities.median(v) } : Float::NAN

        # Heading less track that was held, less what the wind asks for on that track.
        def correction_off(phase)
          track = middle(:track, phase)
          wanted = track.nan? ? nil : wind.drift_angle_deg(track % 360.0, true_kt)
          wanted && (Quantities.wrap_deg(middle(:heading, phase) - track) - wanted)
        end

        # Heading change at the corner, less the ninety degrees over the ground with the difference of the drifts.
        def turn_off(phase, following)
          drifts =
            [phase, following].map do |side|
              wind.drift_angle_deg(middle(:track, side).then { |t| t.nan? ? 0.0 : t } % 360.0, true_kt)
            end
          turned = Quantities.wrap_deg(middle(:heading, following) - middle(:heading, phase))
          return nil if drifts.any?(&:nil?) || turned.nan?

          side = turned <=> 0.0
          (turned * side) - (90.0 + (side * (drifts[1] - drifts[0])))
        end
      end
    end
  end
end
