# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      # Measures of turns across a line: the radius on each side against the planned one, the line crossed square and
      # level, height, bank against what the ground speed asks for at that radius.
      class TurnsAcrossALineMeasures
        include Grading::Measuring
        include Grading::SetUp

        LEVEL_S = 0.5
        NO_SPOT = 'the sortie marks no spot that the line runs through'

        # @return [Hash{String => Measure}]
        def measures
          attempt.phases.each { |phase| take_half(phase) }
          worst = attempt.phases.max_by { |phase| radius_off(phase) || 0.0 }
          put('turn_radius_max_off_ft', worst.id, -> { radius_off(worst) }, reason: NO_SPOT)
          put('crossing_off_deg', attempt.phases.last.id, -> { numbers(crossings.map { |t| square_off(t) }).max })
          put('crossing_bank_deg', attempt.phases.last.id, -> { numbers(crossings.map { |t| bank_at(t) }).max })
          take_trim(attempt.phases.first.id, attempt.start_s - TRIM_S, attempt.start_s)
          @taken
        end

        def course_deg = context.course_deg
        def gate_s = nil

        private

        def line = @line ||= TurnsAcrossALineFinder.line(signals, context.spot, context.conditions.wind)
        def plan = context.plan_of(manoeuvre)
        def planned_ft = plan.value('turn_radius_ft')
        def crossings = [attempt.start_s, *attempt.phases.map(&:end_s)]

        def take_half(phase)
          from = phase.start_s
          to = phase.end_s
          put("#{phase.id}_radius_ft", phase.id, -> { radius(phase) }, reason: NO_SPOT)
          put(
            "#{phase.id}_height_max_off_ft",
            phase.id,
            over(:agl, from, to) { |v| largest_off(v, zero + plan.value('entry_height_ft')) }
          )
          put("#{phase.id}_bank_max_deg", phase.id, over(:roll, from, to) { |v| v.map(&:abs).max })
          put("#{phase.id}_bank_off_deg", phase.id, -> { bank_off(phase) })
        end

        # Half the distance along the line between its crossings.
        def radius(phase)
          return nil unless context.spot

          half = (line.place_at(phase.end_s)[1] - line.place_at(phase.start_s)[1]).abs / 2.0
          half.nan? ? nil : half
        end

        # The larger of what the crossings and the farthest point from the line are off.
        def radius_off(phase)
          return nil unless context.spot

          reach = numbers(range_of(phase.start_s, phase.end_s).map { |i| line.along(i).abs }).max
          numbers([radius(phase), reach]).map { |ft| (ft - planned_ft).abs }.max
        end

        def square_off(time) = TurnsAcrossALineFinder.off_square_deg(signals.at(:track, time), context.conditions.wind)
        def bank_at(time) = over(:roll, time - LEVEL_S, time + LEVEL_S) { |v| v.map(&:abs).min }

        # Root mean square difference from tan(bank) = V²/(g·R) at the planned radius, away from the crossings.
        def bank_off(phase)
          quarter = (phase.end_s - phase.start_s) / 4.0
          offs =
            (signals.index(phase.start_s + quarter)..signals.index(phase.end_s - quarter))
              .map { |i| signals[:roll][i].abs - bank_wanted_deg(i) }
              .reject(&:nan?)
          offs.empty? ? nil : Math.sqrt(offs.sum { |v| v * v } / offs.size)
        end

        def bank_wanted_deg(index) =
          Math.atan(((signals[:gs][index] * Quantities::KT)**2) / (Quantities::G * planned_ft * Quantities::FT)) /
            Quantities::DEG
      end
    end
  end
end
