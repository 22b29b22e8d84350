# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Measures of a gyroplane's take-off: the rotor against the airspeed all through the roll, the margin to blade
      # flap, stick and nosewheel, the lift-off.
      class TakeOffMeasures
        include Grading::Measuring

        # The stick is held aft as the roll begins.
        AFT_S = 3.0
        # An obstacle's height, ft.
        HIGH_FT = 50.0

        # @return [Hash{String => Measure}]
        def measures
          roll = attempt.phase('roll') or return @taken
          to = attempt.event(:lift_off_s) || attempt.event(:abandoned_s) || roll.end_s
          range = signals.index(roll.start_s)..signals.index(to)
          put('prerotation_pct', 'prerotation', signals.at(:nr, roll.start_s))
          put('roll_advance_ratio_max', 'roll', -> { range.filter_map { |i| advance_ratio(i) }.max })
          put('flap_max_deg', 'roll', -> { range.filter_map { |i| flap_deg(i) }.max })
          put('roll_rotor_rpm_min_pct', 'roll', over(:nr, roll.start_s, to, &:min))
          put('roll_stick_min_pct', 'roll', over(:stick, roll.start_s, to, &:min))
          aft = [roll.start_s + AFT_S, roll.end_s].min
          put('roll_stick_aft_pct', 'roll', over(:stick, roll.start_s, aft) { |v| mean(v) })
          return @taken if attempt.result == :abandoned

          lifted = attempt.phase('balance') ? 'balance' : 'roll'
          put('lift_off_ias_kt', lifted, signals.at(:ias, to))
          put('lift_off_rotor_rpm_pct', lifted, signals.at(:nr, to))
          put('lift_off_pitch_deg', lifted, signals.at(:pitch, to))
          put('ias_at_50_ft_kt', 'climb', climb_speed(to), reason: 'it never reached 50 ft') if attempt.phase('climb')
          @taken
        end

        def course_deg = nil
        def gate_s = nil

        private

        # Airspeed where it climbs through 50 ft.
        def climb_speed(lifted)
          return nil unless signals.signal?(:agl) && signals.signal?(:ias)

          at = range_of(lifted, attempt.end_s).find { |i| signals[:agl][i] - zero >= HIGH_FT }
          at && signals[:ias][at]
        end

        def true_speed(index) = context.conditions.atmosphere.true_speed(signals[:ias][index] * Quantities::KT)

        def tip_speed(index) =
          context.type.fetch('rotor.normal_speed_rad_s') * signals[:nr][index] / 100.0 *
            context.type.fetch('rotor.radius_m')

        def advance_ratio(index)
          ratio = true_speed(index) * Math.cos(aft) / tip_speed(index)
          ratio.nan? ? nil : ratio
        end

        # Flapping a₁ = 2μ(4θ/3 − λ)/(1 − μ²/2) (docs/reference/flight-model.md) with the disc held aft as in the roll;
        # the small induced part of the inflow is left out.
        def flap_deg(index)
          mu = advance_ratio(index) or return nil
          inflow = -true_speed(index) * Math.sin(aft) / tip_speed(index)
          2.0 * mu * ((4.0 * context.type.fetch('rotor.collective_min_deg') * Quantities::DEG / 3.0) - inflow) /
            (1.0 - (mu * mu / 2.0)) / Quantities::DEG
        end

        def aft = TakeOffRoll::DISC_AFT_DEG * Quantities::DEG
      end
    end
  end
end
