# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # The traps of a gyroplane's take-off roll: rolling fast with a slow rotor, and speed
      # growing while the rotor does not.
      class TakeOffFaults
        include Grading::FaultFinding

        FAST_KT = 15.0
        # Over this stretch of airspeed a disc that takes in air gains at least so much rotor rpm, points.
        FROM_KT = 8.0
        TO_KT = 28.0
        LEAST_GAIN = 4.0

        private

        def roll = @attempt.phase('roll')
        def rolled? = roll && @signals.signal?(:ias) && @signals.signal?(:nr)
        def lift_off_s = @attempt.event(:lift_off_s) || roll.end_s

        def slow_rotor_roll
          return nil unless rolled?

          least = @context.type.optional('prerotation.minimum_pct', nil)
          nr = @signals[:nr]
          slow =
            least &&
            longest(samples(roll.start_s, lift_off_s), 0.5) { |i| @signals[:ias][i] > FAST_KT && nr[i] < least }
          flapped = bad?('flap_max_deg')
          return nil unless slow || flapped

          text =
            if slow
              "rotor rpm #{slow.map do |i|
                nr[i]
              end.min.round} % at over #{FAST_KT.round} kt, #{least.round} % is the type's least"
            else
              "blade flap of #{value('flap_max_deg').round(1)}°"
            end
          found('slow_rotor_roll', text, %w[roll_rotor_rpm_min_pct flap_max_deg], from: roll.start_s, to: lift_off_s)
        end

        # The airspeed grew and the rotor did not: the disc took in no air.
        def stick_forward_too_long
          return nil unless rolled?

          range = samples(roll.start_s, lift_off_s)
          first = range.find { |i| @signals[:ias][i] >= FROM_KT }
          last = range.find { |i| @signals[:ias][i] >= TO_KT } or return nil
          gained = @signals[:nr][last] - @signals[:nr][first]
          return nil unless gained < LEAST_GAIN

          found(
            'stick_forward_too_long',
            "rotor rpm gained #{gained.round(1)} points from #{FROM_KT.round} to #{TO_KT.round} kt",
            ['roll_rotor_rpm_min_pct'],
            from: @signals.time(first),
            to: @signals.time(last)
          )
        end
      end
    end
  end
end
