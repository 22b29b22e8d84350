# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module HoveringAutorotation
      # Hovering autorotations: a closure below 15 ft and 10 kt, `settle` from 15 % of the height lost, touchdown at
      # contact (docs/reference/boundaries.md).
      class Finder
        include Grading::Stretches

        BELOW_FT = Grading::Closures::HOVER_FT
        BELOW_KT = 10.0
        # Lower than this it stands on the ground already, and a closed throttle is the end of the flight.
        LEAST_FT = 1.5
        LONGEST_S = 8.0
        SETTLED_SHARE = 0.15
        STANDS_S = 4.0

        # @return [Array<Attempt>]
        def find = closures.filter_map { |time, estimated| build(time, estimated) }

        private

        # Those low and slow, each with whether it is a guess.
        def closures
          return [] unless @context.type.helicopter? && signals.signal?(:agl) && signals.signal?(:gs)

          times, estimated = Grading::Closures.new(signals).all
          times.reject { |time| taken?(time) || !hovering?(signals.index(time)) }.map { |time| [time, estimated] }
        end

        def hovering?(index) = (LEAST_FT..BELOW_FT).cover?(height(index)) && signals[:gs][index] < BELOW_KT

        # The ground is not met yet.
        def begun(found)
          time, estimated = closures.last
          return nil if time.nil? || signals.end_s - time > LONGEST_S || !after_all?(found, time)

          settled = settles_s(signals.index(time), last_index) || signals.end_s
          attempt('hovering_autorotation',
                  [phase('entry', time, settled, estimated: estimated), phase('settle', settled, signals.end_s)],
                  events: { closure_s: time, hovered_ft: height(signals.index(time)) })
        end

        # When a share of the height is lost.
        def settles_s(from, to)
          lost = (from..to).find { |i| height(i) < height(from) * (1.0 - SETTLED_SHARE) }
          lost && signals.time(lost)
        end

        def build(closure, estimated)
          index = signals.index(closure)
          contact = Grading::Contact.find(signals, closure, [closure + LONGEST_S, signals.end_s].min) or return nil
          settled = settles_s(index, signals.index(contact.time_s)) || contact.time_s
          finish = [contact.time_s + STANDS_S, signals.end_s].min
          attempt(
            'hovering_autorotation',
            [
              phase('entry', closure, settled, estimated: estimated),
              phase('settle', settled, contact.time_s),
              phase('touchdown', contact.time_s, finish)
            ],
            events: {
              closure_s: closure,
              contact_s: contact.time_s,
              contact: contact,
              hovered_ft: height(index)
            }
          )
        end
      end
    end
  end
end
