# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module HoveringAutorotation
      # Measures of a hovering autorotation: heading, how quickly the throttle was closed, the contact against the
      # model's best cushion from that height, the collective afterwards.
      class Measures
        include Grading::Measuring
        include Grading::Touchdown

        YAW_WITHIN_S = 3.0
        # The height at which it has settled trembles with the recorder: the cushion may begin so much before.
        SETTLING_S = 0.25
        THROTTLE_OPEN_PCT = 20.0
        THROTTLE_CLOSED_PCT = 10.0
        THROTTLE_WITHIN_S = 20.0
        DOWN_PCT = 5.0
        LOWERED_WITHIN_S = 5.0

        # @return [Hash{String => Measure}]
        def measures
          at = attempt.event(:closure_s) || attempt.start_s
          put('entry_yaw_deg', 'entry', yaw_after(at, YAW_WITHIN_S), reason: yaw_reason)
          put('throttle_reduction_s', 'entry', throttle_reduction_s(at))
          put('collective_raised_pct', 'entry', -> { collective_raised })
          settle = attempt.phase('settle')
          put('settle_yaw_deg', 'settle', settled_yaw(at, settle), reason: yaw_reason) if settle
          take_landing(at) if attempt.event(:contact)
          @taken
        end

        def course_deg = nil
        def gate_s = nil

        private

        # The model's best cushion from the height that it hovered at.
        def own_targets
          hovered = attempt.event(:hovered_ft) or return {}
          best = CushionedFall.new(context.conditions, height_m: hovered * Quantities::FT).best_cushion
          { 'contact_sink_fpm' => best.sink_m_s / Quantities::FPM }
        rescue OutsideModel
          {}
        end

        # How far it went up before the aircraft had settled, percent of its travel.
        def collective_raised
          entry = attempt.phase('entry') or return nil
          before = signals.window(:collective, entry.start_s - 1.0, entry.start_s)
          after = signals.window(:collective, entry.start_s, entry.end_s - SETTLING_S)
          before.empty? || after.empty? ? nil : [after.max - Quantities.median(before), 0.0].max
        end

        # The nose off where it pointed when the throttle was closed, while it settled and was cushioned.
        def settled_yaw(closed_at, phase)
          return Float::NAN if signals.native_step_s > SWINGS_S

          pointed = signals.at(:heading, closed_at)
          return Float::NAN if pointed.nan?

          over(:heading, phase.start_s, phase.end_s) { |v| v.map { |deg| (deg - pointed).abs }.max }
        end

        def take_landing(closed_at)
          take_contact(signals.at(:heading, closed_at))
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
        def lowered(contact)
          lowest = over(:collective, contact, [contact + LOWERED_WITHIN_S, signals.end_s].min, &:min)
          # A file that ends sooner does not tell, unless it was down already.
          lowest if signals.end_s >= contact + LOWERED_WITHIN_S || lowest < DOWN_PCT
        end
      end
    end
  end
end
