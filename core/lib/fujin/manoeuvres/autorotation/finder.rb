# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Finds autorotations in a recording, tells straight-in ones from those with turns or without speed, and cuts
      # them into phases (docs/reference/boundaries.md).
      class Finder
        include Grading::Underway

        LONGEST_S = 240.0
        # Slower than this for so long is an autorotation at low airspeed.
        LOW_SPEED_KT = 30.0
        LOW_SPEED_S = 3.0
        # Lower than this the speed comes off for the landing.
        LOW_SPEED_ABOVE_FT = 150.0
        # Rolled out for so long a turn is over.
        ROLLS_OUT_S = Grading::Turns::OUT_S + 0.5
        TURNING = %w[turning_autorotation s_turn_autorotation].freeze

        # @param signals [Recordings::Signals]
        # @param context [Context]
        # @param _taken [Array<Attempt>] what earlier finders found: this one comes first
        def initialize(signals, context, _taken = [])
          @signals = signals
          @context = context
          @closures = Grading::Closures.new(signals)
          @flares = Flares.new(signals)
          @power = PowerBack.new(signals, @closures)
        end

        # @return [Array<Attempt>] in order of time
        def find
          # A gyroplane's rotor is never driven in flight: closing its throttle is a landing, not a failure.
          return [] unless @context.type.helicopter?

          times, estimated = @closures.find
          times = without_repeats(times)
          times.each_with_index.map do |closure, i|
            latest = [times[i + 1] || @signals.end_s, closure + LONGEST_S, @signals.end_s].min
            build(closure, latest, estimated)
          end
        end

        # While it is flown: what is meant to turn has begun to with less of a turn, and what is meant to be slow is in
        # its entry until the speed has come back.
        def underway
          @meant = @context.exercise
          one = super or return nil
          one = slowing(one) if @meant == 'low_speed_autorotation' && one.manoeuvre != @meant
          turning(one)
        end

        private

        def slowing(one)
          from, glide = %w[entry glide].map { |id| one.phase(id) }
          from && glide && one.phases.last == glide ? one.with(phases: [from.with(end_s: one.end_s)].freeze) : one
        end

        # A turn that goes on ends, as far as can be told, a moment before the last sample.
        def turning(one)
          turn, glide = one.phases.last(2)
          return one unless turn.id == 'turn' && glide.id == 'glide' && glide.end_s - glide.start_s < ROLLS_OUT_S

          one.with(phases: [*one.phases[..-3], turn.with(end_s: one.end_s)].freeze)
        end

        # The engine has just left the rotor, higher than a hover: the descent that confirms it is still to come.
        def begun(_found)
          times, estimated = @closures.all
          closure = times.last
          last = @signals.size - 1
          return nil unless closure && @context.type.helicopter? && @signals.end_s - closure < EntryEnd::ENTRY_S
          return nil unless @closures.driven?(last) == false && aloft?(last)

          phases = [phase('entry', closure, @signals.end_s, estimated)]
          attempt(closure, @signals.end_s, phases, { closure_s: closure }, estimated, :completed)
        end

        def aloft?(index) =
          @signals.signal?(:agl) &&
            @signals[:agl][index] - @signals.agl_zero_ft > Grading::Closures::HOVER_FT

        # One attempt per closure; a second closure before the first descent ended belongs to it.
        def without_repeats(times)
          times.each_with_object([]) { |t, kept| kept << t if kept.empty? || t - kept.last > 8.0 }
        end

        def build(closure, latest, estimated)
          flare = @flares.start(closure, latest)
          go_around = go_around_at(closure, flare ? flare.first : latest, latest)
          return abandoned(closure, go_around, estimated) if go_around

          entry_end = [EntryEnd.of(@signals, closure), flare&.first || latest].min
          return unfinished(closure, entry_end, latest, estimated) unless flare

          finished(closure, entry_end, flare, latest, estimated)
        end

        def abandoned(closure, time, estimated)
          entry_end = [EntryEnd.of(@signals, closure), time].min
          power = @power.joined(closure, time)
          drill = EnergyDrillSpan.span(@signals, entry_end, power || time)
          return drill(drill, closure, power, estimated) if drill

          phases = [phase('entry', closure, entry_end, estimated), phase('glide', entry_end, time, estimated)]
          attempt(closure, time, phases, { closure_s: closure, power_on_s: power }, estimated, :go_around)
        end

        def drill(span, closure, power, estimated)
          from, to = span
          Grading::Attempt.new(
            manoeuvre: 'energy_drill',
            start_s: from,
            end_s: to,
            phases: [phase('glide', from, to, estimated)].freeze,
            events: { closure_s: closure, power_on_s: power }.compact.freeze,
            estimated: estimated
          )
        end

        # The recording stops, or shows no flare.
        def unfinished(closure, entry_end, latest, estimated)
          phases = [phase('entry', closure, entry_end, estimated), phase('glide', entry_end, latest, estimated)]
          attempt(closure, latest, phases, { closure_s: closure }, estimated, :completed)
        end

        def finished(closure, entry_end, flare, latest, estimated)
          flare_start, flare_estimated = flare
          level, level_estimated = @flares.finish(flare_start, latest)
          contact = Grading::Contact.find(@signals, flare_start, latest)
          joined = @power.joined(flare_start - 2.0, [latest, level + 4.0].min)
          powered = joined && (contact.nil? || joined < contact.time_s)
          power = joined && @power.wound_up(flare_start - 2.0, joined)
          phases = [
            phase('entry', closure, entry_end, estimated),
            phase('glide', entry_end, flare_start, flare_estimated),
            phase('flare', flare_start, level, flare_estimated || level_estimated)
          ]
          tail, finish = powered ? recovery(level, latest) : touchdown(level, contact, latest)
          # After a hover that was established, the ground is met by what comes next.
          contact = nil if contact && contact.time_s > finish
          events = {
            closure_s: closure,
            level_s: level,
            power_on_s: power,
            contact_s: contact&.time_s,
            contact: contact
          }.compact
          attempt(closure, finish, phases + tail, events, estimated, :completed)
        end

        def attempt(start, finish, phases, events, estimated, result)
          kept = phases.select { |p| p.end_s > p.start_s }
          glided = kept.reject { |p| %w[flare recovery cushion touchdown].include?(p.id) }.last&.end_s || finish
          name, parts = kind(start, glided, kept)
          Grading::Attempt.new(
            manoeuvre: name,
            start_s: start,
            end_s: finish,
            phases: parts.freeze,
            events: events.compact.freeze,
            estimated: estimated,
            result: result
          )
        end

        # Which autorotation it was, from what lies between closure and flare, and its phases with the turn put in.
        def kind(start, glided, phases)
          slow = slow_until(start, glided)
          return ['low_speed_autorotation', with_late_glide(phases, slow)] if slow

          finder = Grading::Turns.new(@signals, @context)
          curved = finder.s_turn(start, glided)
          return ['s_turn_autorotation', with_turn(phases, curved)] if curved.any?

          turns = finder.find(start, glided, least_deg: least_turn_deg)
          turns.empty? ? ['straight_in_autorotation', phases] : ['turning_autorotation', with_turn(phases, turns)]
        end

        # One turn phase from the first turn's start to the last one's end; the glide is what is left after it.
        def with_turn(phases, turns)
          from = [turns.first.start_s, phases.first.start_s].max
          to = turns.last.end_s
          turn = phase('turn', from, to, turns.any?(&:estimated))
          before =
            phases.select { |p| p.start_s < from && p.id == 'entry' }.map { |p| p.with(end_s: [p.end_s, from].min) }
          after =
            phases.reject { |p| p.id == 'entry' }.map { |p| p.id == 'glide' ? p.with(start_s: [p.start_s, to].max) : p }
          (before + [turn] + after).select { |p| p.end_s > p.start_s }
        end

        def least_turn_deg =
          TURNING.include?(@meant) ? Grading::Turns::S_LEAST_DEG : Grading::Turns::LEAST_DEG

        # When the speed came back to within 6 kt of the house glide after it had been low, nil when it never was low.
        def slow_until(start, glided)
          ias = @signals[:ias] or return nil
          held = @signals.samples(LOW_SPEED_S)
          range = @signals.index(start)..@signals.index(glided)
          low = range.select { |i| ias[i] < LOW_SPEED_KT && high?(i) }
          return nil if low.size < held

          back = (low.last..range.last).find { |i| (ias[i] - @context.glide_speed_kt).abs <= 6.0 }
          back ? @signals.time(back) : glided
        end

        def high?(index) = @signals.signal?(:agl) && @signals[:agl][index] - @signals.agl_zero_ft > LOW_SPEED_ABOVE_FT

        def with_late_glide(phases, time)
          entry = phases.find { |p| p.id == 'entry' }
          rest = phases.reject { |p| %w[entry glide].include?(p.id) }
          glide = phases.find { |p| p.id == 'glide' }
          [
            entry.with(end_s: [time, (glide || entry).end_s].min),
            glide&.with(start_s: [time, glide.end_s].min),
            *rest
          ].compact.select { |p| p.end_s > p.start_s }
        end

        def phase(id, from, to, estimated) =
          Grading::Phase.new(id: id, start_s: from, end_s: to, estimated: estimated ? true : false)

        # Power joined and a climb through 50 ft, or one that never went below it.
        def go_around_at(closure, before_s, latest)
          return nil unless @signals.signal?(:agl) && @signals.signal?(:sink)

          power = @power.joined(closure + 2.0, latest)
          return nil unless power

          held = @signals.samples(1.5)
          from = @signals.index(power)
          to = @signals.index(latest)
          climbing = (from..to).find do |i|
            @signals[:agl][i] - @signals.agl_zero_ft > 50.0 && @signals[:sink][i, held].all? { |v| v < -150.0 }
          end
          return nil unless climbing

          # A hover or a stop in between means the attempt was finished and this is the next departure.
          slowest = @signals.window(:gs, [power, before_s].min, @signals.time(climbing)).min
          slowest && slowest < 8.0 ? nil : @signals.time(climbing)
        end

        # Until the hover is established, then 5 s more.
        def recovery(level, latest)
          index = (@signals.index(level)..@signals.index(latest)).find { |i| still?(i) }
          settled = index ? @signals.time(index) : latest
          [[phase('recovery', level, settled, index.nil?)], [settled + 5.0, latest].min]
        end

        def still?(index)
          sink = @signals[:sink]
          gs = @signals[:gs]
          return false unless gs && gs[index] < 1.6

          sink.nil? || sink[index].nan? || sink[index].abs < 50.0
        end

        def touchdown(level, contact, latest)
          return [[phase('cushion', level, latest, true)], latest] unless contact

          stopped = stop_after(contact.time_s, latest)
          finish = [[stopped, contact.time_s + 4.0].max, latest].min
          [[phase('cushion', level, contact.time_s, false), phase('touchdown', contact.time_s, finish, false)], finish]
        end

        def stop_after(time, latest)
          return time + 4.0 unless @signals.signal?(:gs)

          index = (@signals.index(time)..@signals.index(latest)).find { |i| @signals[:gs][i] < 0.6 }
          index ? @signals.time(index) : latest
        end
      end
    end
  end
end
