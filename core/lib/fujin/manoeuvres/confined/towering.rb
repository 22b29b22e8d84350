# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # Straight up to clear of everything under the line, level until there is speed, then the climb.
      class Towering < DepartureWay
        # Over the highest top, ft; the least climb, ft/min; power left out of ground effect that is enough, percent.
        OVER_FT = 20.0
        CLIMB_FPM = 100.0
        MARGIN_PCT = 5.0
        STEP_S = 0.5
        MOST = 400

        def lift_point = number(0.0, 'ft')
        def lift_speed = no_number('kt', 'straight_up')
        def commit_point = no_number('ft', 'straight_up')
        def top_m = ((sight.highest_m || 0.0) + (OVER_FT * FT))

        # Up, then level along the line at the acceleration that the power left gives.
        def path
          @path ||= @day.wind && climb_m_s ? flown : []
        end

        private

        def sight = @sight ||= @departure.sight
        def lift_m = 0.0

        def judged
          return ['not', "not_known: #{sight.unknown.join(', ')}"] if sight.unknown.any?
          return %w[not power] unless @day.margin_pct && @day.margin_pct >= 0.0 && climb_m_s
          return %w[not room] unless @departure.room_at?(@departure.spot.at, @day.house['hover_height_ft'] * FT)

          @day.margin_pct < MARGIN_PCT ? %w[marginal power] : ['possible', nil]
        end

        # Straight up with all the power, m/s; nil under the least.
        def climb_m_s
          return @climb_m_s if defined?(@climb_m_s)

          climb = @day.performance.climb_m_s(air.equivalent_speed(@departure.headwind.value.to_f.clamp(0.0, 15.0)))
          @climb_m_s = climb >= CLIMB_FPM * Q::FPM ? climb : nil
        rescue OutsideModel
          @climb_m_s = nil
        end

        def flown
          hover = @day.house['hover_height_ft'] * FT
          up_s = (top_m - hover) / climb_m_s
          against = air.equivalent_speed([@departure.headwind_along.call(0.0, hover), 0.0].max)
          steps = (up_s / 0.5).ceil
          up = (0..steps).map do |i|
            t = [i * 0.5, up_s].min
            ClimbAway::Point.new(t_s: t, along_m: 0.0, height_m: hover + (climb_m_s * t), ias_kt: against,
                                 climb_m_s: climb_m_s,
                                 rotor_pct: 100.0)
          end
          up + level(up.last)
        end

        # Level until climb speed, then climbing; what the power leaves speeds up, the nose ten degrees down at most.
        def level(from)
          climb_kt = @day.type.fetch('speeds_kt.climb').to_f
          climb = @day.performance.climb_m_s(climb_kt)
          rows = [from]
          while rows.last.along_m < @departure.reach_m && rows.size < MOST
            last = rows.last
            climbing = last.ias_kt >= climb_kt - 0.5
            faster = climbing ? last.ias_kt : [faster_kt(last.ias_kt), climb_kt].min
            ground = air.true_speed((last.ias_kt + faster) / 2.0) -
              @departure.headwind_along.call(last.along_m, last.height_m)
            rows << ClimbAway::Point.new(t_s: last.t_s + STEP_S, ias_kt: faster,
                                         climb_m_s: climbing ? climb : 0.0, rotor_pct: 100.0,
                                         along_m: last.along_m + ([ground, 0.0].max * Q::KT * STEP_S),
                                         height_m: last.height_m + (climbing ? climb * STEP_S : 0.0))
          end
          rows.drop(1)
        end

        def faster_kt(ias_kt)
          speed = air.true_speed(ias_kt * Q::KT)
          spare = (@day.trim.power_available_w - @day.trim.level_power_w(ias_kt)) * @day.type.fetch('engine.efficiency')
          gain = (spare / (@day.conditions.mass_kg * [speed, 1.0].max))
            .clamp(0.0, Q::G * Math.tan(ClimbAway::NOSE_DOWN_RAD))
          air.equivalent_speed(speed + (gain * STEP_S)) / Q::KT
        end

        def air = @day.conditions.atmosphere
      end
    end
  end
end
