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
        # Chosen: a third of the stick's travel within half a second.
        SNATCH_PCT = 33.0
        SNATCH_S = 0.5
        SNATCHED = ', then the stick was snatched back'

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
              Text.of("rotor rpm %{slow} % at over %{fast_kt} kt, %{least} % is the type's least",
                      slow: slow.map do |i|
                        nr[i]
                      end.min.round,
                      fast_kt: FAST_KT.round, least: least.round)
            else
              Text.of('blade flap of %{flap_max_deg}°', flap_max_deg: value('flap_max_deg').round(1))
            end
          found('slow_rotor_roll', text, %w[roll_rotor_rpm_min_pct flap_max_deg], from: roll.start_s, to: lift_off_s)
        end

        # The airspeed grew and the rotor did not: the disc took in no air. Snatched back then, it flaps.
        def stick_forward_too_long
          return nil unless rolled?

          range = samples(roll.start_s, lift_off_s)
          first = range.find { |i| @signals[:ias][i] >= FROM_KT }
          snatched = snatched_back(range)
          last = [range.find { |i| @signals[:ias][i] >= TO_KT }, snatched].compact.min
          return nil unless first && last

          until_kt, tail = last == snatched ? [@signals[:ias][last], SNATCHED] : [TO_KT, '']
          gained = @signals[:nr][last] - @signals[:nr][first]
          return nil unless gained < LEAST_GAIN * (until_kt - FROM_KT) / (TO_KT - FROM_KT)

          found(
            'stick_forward_too_long',
            Text.of('rotor rpm gained %{gained} points from %{from_kt} to %{until_kt} kt%{tail}',
                    gained: gained.round(1), from_kt: FROM_KT.round, until_kt: until_kt.round, tail: tail),
            ['roll_rotor_rpm_min_pct'],
            from: @signals.time(first),
            to: @signals.time(last)
          )
        end

        # Where the stick came back at speed as nobody eases it, before the rotor had sped up.
        def snatched_back(range)
          return nil unless @signals.signal?(:stick)

          stick = @signals[:stick]
          back = @signals.samples(SNATCH_S)
          range.drop(back).find { |i| @signals[:ias][i] > FAST_KT && stick[i] - stick[i - back] > SNATCH_PCT }
        end
      end
    end
  end
end
