# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # What has begun of a gyroplane's flights and not come to its end (Grading::Underway). For its Finder, whose
      # thresholds and parts it uses.
      module Beginnings
        # Slow flight is seen to have begun after so long.
        BEGUN_S = 3.0

        private

        # Rolling and not off the ground; coming down and not on it; slow, or sinking without speed.
        def begun(found) = recorded? ? rolling(found) || sinking_slowly || descending(found) || slowed : nil

        def rolling(found)
          first, rolls = standing.last
          return nil if rolls.nil? || !after_all?(found, time(rolls)) || (last_index - rolls) * signals.step_s > Finder::ROLL_S

          spins = spin_up(first, rolls)
          return prerotating(spins, rolls) if last_index - rolls < signals.samples(1.0)
          return nil if height(last_index) > Finder::FLYING_FT

          balance = balance_from(rolls, last_index)
          attempt(
            'gyro_take_off',
            [phase('prerotation', time(spins), time(rolls)),
             phase('roll', time(rolls), time(balance || last_index)),
             phase('balance', time(balance || last_index), signals.end_s)],
            events: { rolls_s: time(rolls) }
          )
        end

        # Standing, the rotor being brought up.
        def prerotating(spins, rolls)
          return nil if rolls - spins < signals.samples(1.0) || signals[:nr][rolls].to_f < Finder::TURNING_PCT

          attempt('gyro_take_off', [phase('prerotation', time(spins), time(rolls))])
        end

        def descending(found)
          sinks = descent_start(last_index) or return nil
          start, estimated = power_off(sinks)
          return nil unless after_all?(found, start)
          return attempt('gyro_balked_landing', [phase('descent', sinks, signals.end_s)]) if balked?

          flare = flare(start, signals.end_s) || signals.end_s
          attempt(landing, [phase('glide', start, flare, estimated: estimated), phase('flare', flare, signals.end_s)])
        end

        def balked? = @context.exercise == 'gyro_balked_landing'

        def sinking_slowly
          first, last = vertical_runs.last
          return nil if last.nil? || (last...last_index).any? { |i| signals[:ias][i] >= Finder::RECOVERED_KT } ||
            (last_index - last) * signals.step_s > Finder::RECOVERS_S

          attempt('gyro_vertical_descent',
                  [phase('descent', time(first), time(last)), phase('recovery', time(last), signals.end_s)])
        end

        def slowed
          run = holding(BEGUN_S) { |i| slow?(i) }
          run && attempt('gyro_slow_flight', [phase('level', time(run.first), time(run.last))])
        end
      end
    end
  end
end
