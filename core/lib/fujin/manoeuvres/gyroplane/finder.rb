# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # What gyroplanes fly: take-offs from prerotation, landings, balked landings, slow flight, vertical descents
      # (docs/reference/boundaries.md).
      class Finder
        include Grading::Stretches
        include Grading::Descents
        include Beginnings

        STANDING_KT = 3.0
        ON_WHEELS_FT = 1.5
        FLYING_FT = 2.5
        BALANCE_DEG = 3.0
        FLARE_DEG = 3.0
        FLARE_BELOW_FT = 120.0
        SPIN_UP_S = 90.0
        RISING_PCT = 1.5
        ROLL_S = 60.0
        CLIMB_S = 40.0
        # Gone again after a touch.
        GONE_FT = 20.0
        # A roll that was begun with the rotor turning.
        ROLLING_KT = 12.0
        TURNING_PCT = 20.0
        # Power is taken off at most so long before the sink shows, and after.
        POWER_OFF_BEFORE_S = 15.0
        POWER_OFF_AFTER_S = 5.0
        STOPPED_KT = 0.6
        ROLL_OUT_S = 30.0
        SLOW_KT = (10.0..35.0)
        SLOW_S = 10.0
        LEVEL_FPM = 200.0
        VERTICAL_KT = 10.0
        VERTICAL_FPM = 300.0
        RECOVERED_KT = 45.0
        RECOVERS_S = 40.0
        BALKED_FT = 50.0
        CLIMB_FPM = -150.0

        # @return [Array<Attempt>]
        def find
          return [] unless recorded?

          (take_offs + landings + balked + vertical + slow).sort_by(&:start_s)
        end

        private

        def recorded? = !@context.type.helicopter? && %i[agl gs ias sink nr].all? { |name| signals.signal?(name) }

        def before(index, seconds) = [index - signals.samples(seconds), 0].max
        def after(index, seconds) = [index + signals.samples(seconds), last_index].min
        def time(index) = signals.time(index)

        def standing =
          @standing ||=
            stretches(all, 1.0) { |i| signals[:gs][i] < STANDING_KT && height(i) < ON_WHEELS_FT }

        def take_offs =
          standing.filter_map { |first, last| from_standing(first, last) } + touchdowns.filter_map { |one| and_go(one) }

        def from_standing(first, rolls)
          lifted = lifts(rolls)
          spins = spin_up(first, rolls)
          stops = first_held(after(rolls, 2.0)..(lifted || last_index), 1.0) { |i| signals[:gs][i] < STANDING_KT }
          return abandoned(spins, rolls, stops) if stops

          lifted && take_off([phase('prerotation', time(spins), time(rolls))], rolls, lifted, ground_ft(first..rolls))
        end

        # Touched on the move and gone again without standing.
        def and_go(contact)
          touched = after(signals.index(contact.time_s), 1.0)
          lifted = lifts(touched) or return nil
          return nil if (touched...lifted).any? { |i| signals[:gs][i] < STANDING_KT }
          return nil unless (lifted..after(lifted, CLIMB_S)).any? { |i| height(i) > GONE_FT }

          rolls = (touched..lifted).min_by { |i| signals[:gs][i].nan? ? Float::INFINITY : signals[:gs][i] }
          rolls < lifted ? take_off([], rolls, lifted, ground_ft(touched...lifted)) : nil
        end

        def lifts(from) = first_held(from..after(from, ROLL_S), 1.0) { |i| height(i) > FLYING_FT }

        def ground_ft(range)
          Quantities.median(range.map { |i| height(i) }.reject(&:nan?).then { |a| a.empty? ? [0.0] : a })
        end

        def take_off(before, rolls, lifted, ground)
          balance = balance_from(rolls, lifted)
          off = left_the_ground(rolls, lifted, ground)
          rolled = [phase('roll', time(rolls), [balance ? time(balance) : off, off].min),
                    phase('balance', balance ? time(balance) : off, off)]
          events = { rolls_s: time(rolls), lift_off_s: off }
          set_down = hop(lifted)
          return attempt('gyro_take_off', [*before, *rolled], events: events, finish: time(set_down)) if set_down

          climb = @context.type.fetch('speeds_kt.climb').to_f - 3.0
          done =
            (lifted..after(lifted, CLIMB_S)).find { |i| signals[:ias][i] >= climb && height(i) > 50.0 } ||
            after(lifted, CLIMB_S)
          attempt('gyro_take_off', [*before, *rolled, phase('climb', off, time(done))], events: events)
        end

        # Set down again before it was gone: a hop, of which no climb is judged.
        def hop(lifted)
          down = first_held(after(lifted, 1.0)..after(lifted, CLIMB_S), 0.5) { |i| height(i) < ON_WHEELS_FT }
          down if down && (lifted..down).none? { |i| height(i) > GONE_FT }
        end

        def balance_from(rolls, to) =
          signals.signal?(:pitch) ? first_held(rolls...to, 0.4) { |i| signals[:pitch][i] > BALANCE_DEG } : nil

        # Halfway from the last sample that was no higher than the ground to the next.
        def left_the_ground(rolls, lifted, ground)
          last = lifted.downto(rolls).find { |i| height(i) <= ground } || lifted
          [time(last) + (signals.native_step_s / 2.0), time(lifted)].min
        end

        # Rolled off with the rotor turning and stopped again on the ground: given up. From the moment that it was
        # fastest it was.
        def abandoned(spins, rolls, stops)
          fastest = (rolls..stops).max_by { |i| signals[:gs][i].nan? ? 0.0 : signals[:gs][i] }
          return nil if signals[:gs][fastest] < ROLLING_KT || signals[:nr][rolls].to_f < TURNING_PCT

          attempt(
            'gyro_take_off',
            [phase('prerotation', time(spins), time(rolls)), phase('roll', time(rolls), time(fastest))],
            events: { rolls_s: time(rolls), abandoned_s: time(fastest) }, finish: time(stops), result: :abandoned
          )
        end

        # Last sample at which the rotor still turned as slowly as it stood.
        def spin_up(first, rolls)
          nr = signals[:nr]
          range = [first, before(rolls, SPIN_UP_S)].max..rolls
          slowest = range.filter_map { |i| nr[i] unless nr[i].nan? }.min or return rolls
          range.reverse_each.find { |i| nr[i] < slowest + RISING_PCT } || rolls
        end

        # Contacts on the move that end a descent.
        def touchdowns
          @touchdowns ||=
            stretches(all, 0.3) { |i| height(i) <= Grading::Contact::CONFIRM_FT }
              .map(&:first)
              .select(&:positive?)
              .filter_map { |i| Grading::Contact.find(signals, time(i) - 3.0, time(i) + 2.0) }
        end

        # A short one is told from an ordinary one only by what was meant.
        def landing = @context.exercise == 'gyro_short_landing' ? 'gyro_short_landing' : 'gyro_landing'

        def landings
          touchdowns.filter_map do |contact|
            sinks = descent_start(signals.index(contact.time_s)) or next
            start, estimated = power_off(sinks)
            flare = flare(start, contact.time_s)
            slows = [contact.time_s + 1.0, signals.end_s].min
            stop =
              (signals.index(slows)..after(signals.index(slows), ROLL_OUT_S)).find do |i|
                signals[:gs][i] < STOPPED_KT || height(i) > FLYING_FT
              end
            stopped = stop ? time(stop) : [slows + ROLL_OUT_S, signals.end_s].min
            attempt(
              landing,
              [
                phase('glide', start, flare || contact.time_s, estimated: estimated),
                phase('flare', flare || contact.time_s, contact.time_s),
                phase('touchdown', contact.time_s, slows),
                phase('roll_out', slows, stopped, estimated: stop.nil?)
              ],
              events: {
                contact_s: contact.time_s,
                contact: contact
              }
            )
          end
        end

        # Where the power was taken off for the descent: the throttle closed; without one, the engine's speed 10 points
        # under its median of the 4 s before; else where the sink began.
        # @return [Array(Float, Boolean)] and whether that is a guess
        def power_off(sinks_s)
          range = signals.index(sinks_s - POWER_OFF_BEFORE_S)..signals.index(sinks_s + POWER_OFF_AFTER_S)
          if (throttle = signals[:throttle])
            closed = range.to_a.reverse.find { |i| i.positive? && throttle[i] < 10.0 && throttle[i - 1] >= 10.0 }
          elsif (ne = signals[:ne])
            back = signals.samples(4.0)
            closed = range.find do |i|
              earlier = i < back ? [] : ne[i - back, back].reject(&:nan?)
              earlier.any? && ne[i] < Quantities.median(earlier) - 10.0
            end
          end
          [closed ? time(closed) : sinks_s, throttle.nil?]
        end

        # Pitch 3° above what it was in the glide, low down.
        def flare(start, contact_s)
          return nil unless signals.signal?(:pitch)

          range = signals.index(start)..signals.index(contact_s)
          glide = Quantities.median(range.map { |i| signals[:pitch][i] }.reject(&:nan?))
          found = first_held(range, 0.4) { |i| height(i) < FLARE_BELOW_FT && signals[:pitch][i] > glide + FLARE_DEG }
          found && time(found)
        end

        # Lowest below 50 ft without touching, then a climb through it.
        def balked
          stretches(all, 0.5) do |i|
            (ON_WHEELS_FT..BALKED_FT).cover?(height(i))
          end.filter_map do |first, last|
            lowest = (first..last).min_by { |i| height(i).nan? ? Float::INFINITY : height(i) }
            if height(lowest) < FLYING_FT || last >= last_index - 1 ||
                touchdowns.any? { |c| c.time_s.between?(time(first), time(last)) }
              next
            end

            start = descent_start(lowest) or next
            climbs = first_held(lowest..after(lowest, 20.0), 1.5) { |i| sink[i] < CLIMB_FPM } or next
            attempt(
              'gyro_balked_landing',
              [
                phase('descent', start, time(lowest)),
                phase('recovery', time(lowest), time(climbs)),
                phase('climb', time(climbs), time([last, climbs + 1].max))
              ]
            )
          end
        end

        def vertical_runs =
          stretches(all, 3.0) do |i|
            signals[:ias][i] < VERTICAL_KT && sink[i] > VERTICAL_FPM && height(i) > 100.0
          end

        def vertical
          vertical_runs.filter_map do |first, last|
            done = (last..after(last, RECOVERS_S)).find { |i| signals[:ias][i] >= RECOVERED_KT } or next
            attempt(
              'gyro_vertical_descent',
              [phase('descent', time(first), time(last)), phase('recovery', time(last), time(done))]
            )
          end
        end

        def slow
          stretches(all, SLOW_S) { |i| slow?(i) }
            .map { |first, last| attempt('gyro_slow_flight', [phase('level', time(first), time(last))]) }
        end

        def slow?(index) =
          SLOW_KT.cover?(signals[:ias][index]) && sink[index].abs < LEVEL_FPM && height(index) > 100.0
      end
    end
  end
end
