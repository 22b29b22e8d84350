# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      # Measures of a turn about a point: the radius and whether it is kept, height, bank against what the ground speed
      # asks for at the planned radius, tan(bank) = V²/(g·R).
      class TurnAboutAPointMeasures
        include Grading::Measuring

        NO_SPOT = 'the sortie marks no point to turn about'

        # @return [Hash{String => Measure}]
        def measures
          phase = attempt.phase('turn')
          @range = range_of(phase.start_s, phase.end_s)
          take_radius
          put('turn_height_max_off_ft', 'turn', over(:agl, phase.start_s, phase.end_s) { |v| largest_off(v) })
          put('turn_bank_max_deg', 'turn', over(:roll, phase.start_s, phase.end_s) { |v| v.map(&:abs).max })
          put('turn_bank_off_deg', 'turn', -> { bank_off })
          @taken
        end

        def course_deg = nil
        def gate_s = nil

        private

        def planned_ft = context.plan_of(manoeuvre).value('turn_radius_ft')
        def around = @around ||= TurnAboutAPointFinder::Around.new(signals, context.spot)

        def take_radius
          {
            'turn_radius_mean_ft' => -> { mean(radii) unless radii.empty? },
            'turn_radius_max_off_ft' => -> { largest_off(radii, planned_ft) },
            'spiral_ft' => -> { spiral_ft }
          }.each do |id, value|
            put(id, 'turn', -> { context.spot && value.call }, reason: NO_SPOT)
          end
        end

        def radii = @radii ||= numbers(@range.map { |i| around.radius_ft[i] })

        # Feet of radius a full turn, + outwards.
        def spiral_ft
          rows =
            @range.map { |i| [around.bearing_deg[i] / 360.0, around.radius_ft[i]] }.reject { |row| row.any?(&:nan?) }
          rows.size < 2 ? nil : slope(*rows.transpose) * (rows.last[0] <=> rows.first[0])
        end

        # The straight line through radius against the way round.
        def slope(turns, radii)
          middle = mean(turns)
          high = mean(radii)
          turns.zip(radii).sum { |t, r| (t - middle) * (r - high) } / turns.sum { |t| (t - middle)**2 }
        end

        # Root mean square difference from the bank that is wanted.
        def bank_off
          off =
            @range.map do |i|
              signals[:roll][i].abs -
                (
                  Math.atan(((signals[:gs][i] * Quantities::KT)**2) / (Quantities::G * planned_ft * Quantities::FT)) /
                    Quantities::DEG
                )
            end
          good = off.reject(&:nan?)
          good.empty? ? nil : Math.sqrt(good.sum { |v| v * v } / good.size)
        end
      end
    end
  end
end
