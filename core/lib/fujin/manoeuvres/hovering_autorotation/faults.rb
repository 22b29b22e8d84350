# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module HoveringAutorotation
      # Faults of a hovering autorotation: the collective is not touched until the cushion, the heading is held.
      class Faults
        include Grading::FaultFinding
        include Grading::ContactFaults

        # Until the aircraft has settled the collective stays where it was, give or take this, percent of its travel.
        STILL_PCT = 4.0
        # The height at which it has settled trembles with the recorder: the cushion may begin so much before.
        SETTLING_S = 0.25

        # How far the collective went up before the aircraft had settled, percent of its travel; nil where that was not
        # recorded.
        def self.raised_pct(signals, attempt)
          entry = attempt.phase('entry') or return nil
          before = signals.window(:collective, entry.start_s - 1.0, entry.start_s)
          after = signals.window(:collective, entry.start_s, entry.end_s - SETTLING_S)
          before.empty? || after.empty? ? nil : [after.max - Quantities.median(before), 0.0].max
        end

        private

        def yaw_uncorrected
          band = standard_for_faults.band('entry_yaw_deg', @context.stage, @context.targets)
          when_over('yaw_uncorrected', 'entry_yaw_deg', band.in[1], to: @attempt.start_s + 3.0) do |v|
            "the nose swung #{v.round}° within 3 s of the closure"
          end
        end

        # Up at once: the rotor's energy is spent before it is needed.
        def raised_collective
          raised = self.class.raised_pct(@signals, @attempt)
          return nil unless raised && raised > STILL_PCT

          found(
            'raised_collective',
            "collective went up by #{raised.round} points before it had settled",
            [],
            to: @attempt.phase('entry').end_s
          )
        end

        # A cushion from the hover spends the rotor close to the ground: slow there is no limit passed.
        def airborne?(_index) = false
      end
    end
  end
end
