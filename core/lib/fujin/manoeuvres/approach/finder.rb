# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # Powered approaches: `descent` from sink over 150 ft/min held for 3 s, `termination` under 3 kt below 10 ft for
      # 6 s; or a contact at 5 kt or more, which is a run-on landing with its `slide` (docs/reference/boundaries.md).
      class Finder
        include Grading::Stretches
        include Grading::Descents

        STILL_KT = 3.0
        LOW_FT = 10.0
        TERMINATION_S = 6.0
        KINDS = %w[normal_approach steep_approach].freeze
        STEEP_FROM_DEG = 11.5
        RUN_ON_TO_DEG = 6.0
        RUN_ON_KT = 5.0
        TOUCHDOWN_S = 1.0
        STOPPED_KT = 0.6
        GLIDING_S = 6.0

        # A descent that came down to between these heights and went up again by so much was an approach that was left.
        AWAY_FT = (12.0..300.0)
        CLIMBED_FT = 60.0
        CLIMB_WITHIN_S = 30.0
        ANGLES_DEG = (3.0..20.0)
        # Slowed to this share of what it began with.
        SLOWED = 0.95

        # @return [Array<Attempt>]
        def find
          return [] unless recorded?

          landed =
            (contacts.filter_map { |contact| run_on(contact) } + stops.filter_map { |i| to_a_stop(i) }).uniq(&:start_s)
          (landed + turned_away(landed)).sort_by(&:start_s)
        end

        private

        def recorded? =
          @context.type.helicopter? && %i[agl gs sink].all? { |name| signals.signal?(name) }

        # A descent under power that has not come to its end.
        def begun(found)
          start = recorded? && descent_start(last_index) or return nil
          now = signals.end_s
          return nil if overlaps?(start, now) || gliding?(start, now) || !after_all?(found, start)
          return nil if stops.any? { |i| signals.time(i) > start }

          meant = @context.exercise == 'run_on_landing' ? 'run_on_landing' : nil
          attempt(meant || kind(Grading::ApproachAngle.of(signals, start, now)), [phase('descent', start, now)])
        end

        def closures = @closures ||= Grading::Closures.new(signals)

        # First sample of every stretch of standing or hovering low.
        def stops =
          stretches(all, 2.0) { |i| signals[:gs][i] < STILL_KT && height(i) < low_ft }.map(&:first)

        def low_ft = LOW_FT + signals.height_room_ft

        # The skids met the ground on the move.
        def contacts
          stretches(all, 0.3) { |i| height(i) <= Grading::Contact::CONFIRM_FT }
            .map(&:first)
            .select { |i| i.positive? && signals[:gs][i] >= RUN_ON_KT }
            .filter_map { |i| Grading::Contact.find(signals, signals.time(i) - 3.0, signals.time(i) + 2.0) }
        end

        def to_a_stop(index)
          start = descent_start(index) or return nil
          at = signals.time(index)
          finish = [at + TERMINATION_S, signals.end_s].min
          return nil if overlaps?(start, at) || gliding?(start, at) || ran_on?(start, at)

          phases = [phase('descent', start, at), phase('termination', at, finish)]
          attempt(
            kind(Grading::ApproachAngle.of(signals, start, at)),
            phases,
            events: { stopped_s: at }.merge(contact_between(start, finish))
          )
        end

        # What the sortie was for, where that is one of the two; else by its angle.
        def kind(angle)
          return @context.exercise if KINDS.include?(@context.exercise)

          angle && angle >= STEEP_FROM_DEG ? KINDS.last : KINDS.first
        end

        # Touched the ground on the move before it stopped: that one is a run-on landing.
        def ran_on?(start, at) =
          contacts.any? do |contact|
            contact.time_s.between?(start, at) && powered?(contact.time_s) && shallow?(start, contact.time_s)
          end

        # One that the sortie was for may be flown too steep.
        def shallow?(start, at) =
          @context.exercise == 'run_on_landing' ||
            (Grading::ApproachAngle.of(signals, start, at) || 90.0) <= RUN_ON_TO_DEG

        def run_on(contact)
          return nil unless powered?(contact.time_s)

          start = descent_start(signals.index(contact.time_s)) or return nil
          if overlaps?(start, contact.time_s) || gliding?(start, contact.time_s) || !shallow?(start, contact.time_s)
            return nil
          end

          slide = [contact.time_s + TOUCHDOWN_S, signals.end_s].min
          stopped = (signals.index(slide)...signals.size).find { |i| signals[:gs][i] < STOPPED_KT }
          attempt(
            'run_on_landing',
            [
              phase('descent', start, contact.time_s),
              phase('touchdown', contact.time_s, slide),
              phase('slide', slide, stopped ? signals.time(stopped) : signals.end_s, estimated: stopped.nil?)
            ],
            events: {
              contact_s: contact.time_s,
              contact: contact
            }
          )
        end

        # Approaches that were gone around from: the lowest point of each dip, under power, with a climb after it.
        def turned_away(landed)
          dips.filter_map do |lowest|
            start = descent_start(lowest) or next
            at = signals.time(lowest)
            angle = path_angle(signals.index(start), lowest)
            next if overlaps?(start, at) || gliding?(start, at) || landed.any? { |a| a.start_s < at && a.end_s > start }
            next unless ANGLES_DEG.cover?(angle) && slowed?(signals.index(start)..lowest)

            attempt(kind(angle), [phase('descent', start, at)], result: :go_around)
          end
        end

        def slowed?(range) = range.map { |i| signals[:gs][i] }.reject(&:nan?).min < SLOWED * signals[:gs][range.first]

        def path_angle(from, to)
          distance =
            (from...to).sum { |i| signals[:gs][i].nan? ? 0.0 : signals[:gs][i] } * signals.step_s *
            Grading::Measuring::FT_PER_KT_S
          Math.atan2(height(from) - height(to), [distance, 1.0].max) / Quantities::DEG
        end

        # Lowest samples between a descent and a climb of at least #CLIMBED_FT.
        def dips
          stretches(all, 1.0) { |i| height(i) < AWAY_FT.last }.filter_map do |first, last|
            lowest = (first..last).min_by { |i| height(i).nan? ? Float::INFINITY : height(i) }
            next unless AWAY_FT.cover?(height(lowest))

            within = lowest..[lowest + signals.samples(CLIMB_WITHIN_S), signals.size - 1].min
            lowest if within.any? { |i| height(i) > height(lowest) + CLIMBED_FT }
          end
        end

        def contact_between(start, finish)
          contact = Grading::Contact.find(signals, start, finish)
          contact ? { contact_s: contact.time_s, contact: contact } : {}
        end

        def powered?(time_s) = closures.driven?(signals.index(time_s - 1.0)) != false

        # Without power for more than a few seconds together it is no powered approach, whether its closure is in the
        # file or not.
        def gliding?(start, finish) =
          stretches(signals.index(start)..signals.index(finish), GLIDING_S, hole_s: 0.0) do |i|
            closures.driven?(i) == false
          end.any?
      end
    end
  end
end
