# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module HoveringAutorotation
      # Measures of a hovering autorotation: heading, how quickly the throttle was closed, the contact against the
      # model's best cushion from that height, the collective afterwards.
      class Measures
        include Grading::Measuring
        include Grading::Touchdown

        BEST_CUSHION_ROOM_FPM = 100.0
        YAW_WITHIN_S = 3.0
        THROTTLE_OPEN_PCT = 20.0
        THROTTLE_CLOSED_PCT = 10.0
        THROTTLE_WITHIN_S = 20.0
        LOWERED_WITHIN_S = 3.0

        # @return [Hash{String => Measure}]
        def measures
          at = attempt.event(:closure_s) || attempt.start_s
          put('entry_yaw_deg', 'entry', yaw_after(at, YAW_WITHIN_S), reason: yaw_reason)
          put('throttle_reduction_s', 'entry', throttle_reduction_s(at))
          take_landing(at) if attempt.event(:contact)
          @taken
        end

        def course_deg = nil
        def gate_s = nil

        private

        def take_landing(closed_at)
          take_contact(signals.at(:heading, closed_at), limit: -> { cushion_band })
          put('collective_after_contact_pct', 'touchdown', lowered(attempt.event(:contact_s)))
        end

        # From where the throttle began to move to where it was closed.
        def throttle_reduction_s(closure)
          throttle = signals[:throttle] or return nil
          first = signals.index([closure - THROTTLE_WITHIN_S, signals.start_s].max)
          closed =
            (signals.index(closure)..signals.index([closure + 3.0, signals.end_s].min)).find do |i|
              throttle[i] < THROTTLE_CLOSED_PCT
            end or return nil
          before = signals.window(:throttle, signals.time(first), [closure - 5.0, signals.time(first)].max + 2.0)
          return nil if before.empty?

          open = Quantities.median(before)
          began = closed.downto(first).find { |i| throttle[i] > open - [5.0, 0.1 * open].max } || first
          signals.time(closed) - signals.time(began)
        end

        # Lowest collective after the contact: down once the skids carry the weight.
        def lowered(contact) = over(:collective, contact, [contact + LOWERED_WITHIN_S, signals.end_s].min, &:min)

        # In: no more than the model's best cushion from that height and 100 ft/min.
        def cushion_band
          hovered = attempt.event(:hovered_ft) or return nil
          best =
            CushionedFall.new(context.conditions, height_m: hovered * Quantities::FT).best_cushion.sink_m_s /
            Quantities::FPM
          most = best + BEST_CUSHION_ROOM_FPM
          Grading::Standard::Band.new(
            target: best,
            polished: [nil, best],
            in: [nil, most],
            marginal: [nil, most + 100.0],
            worst_best: nil,
            critical_low: nil,
            critical_high: nil
          )
        rescue OutsideModel
          nil
        end
      end
    end
  end
end
