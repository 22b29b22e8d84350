# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module HoveringAutorotation
      # Hovering autorotations: a closure below 15 ft and 10 kt, `settle` from 15 % of the height lost, touchdown at
      # contact (docs/reference/boundaries.md).
      class Finder
        include Grading::Stretches

        BELOW_FT = 15.0
        BELOW_KT = 10.0
        # Lower than this it stands on the ground already, and a closed throttle is the end of the flight.
        LEAST_FT = 1.5
        LONGEST_S = 8.0
        SETTLED_SHARE = 0.15
        STANDS_S = 4.0

        # @return [Array<Attempt>]
        def find
          return [] unless @context.type.helicopter? && signals.signal?(:agl) && signals.signal?(:gs)

          times, estimated = Grading::Closures.new(signals).all
          times.filter_map { |time| build(time, estimated) unless taken?(time) }
        end

        private

        def build(closure, estimated)
          index = signals.index(closure)
          hovered = height(index)
          return nil unless (LEAST_FT..BELOW_FT).cover?(hovered) && signals[:gs][index] < BELOW_KT

          contact = Grading::Contact.find(signals, closure, [closure + LONGEST_S, signals.end_s].min) or return nil
          settle = (index..signals.index(contact.time_s)).find { |i| height(i) < hovered * (1.0 - SETTLED_SHARE) }
          settled = settle ? signals.time(settle) : contact.time_s
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
              hovered_ft: hovered
            }
          )
        end
      end
    end
  end
end
