# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module HoveringAutorotation
      # Faults of a hovering autorotation: the collective is not touched until the cushion, the heading is held.
      class Faults
        include Grading::FaultFinding
        include Grading::ContactFaults

        private

        def yaw_uncorrected =
          when_bad('yaw_uncorrected', 'entry_yaw_deg', to: @attempt.start_s + Measures::YAW_WITHIN_S) do |v|
            Text.of('the nose swung %{value}° within 3 s of the closure', value: v.round)
          end

        # Up at once: the rotor's energy is spent before it is needed.
        def raised_collective =
          when_bad('raised_collective', 'collective_raised_pct', **phase_span('entry')) do |v|
            Text.of('collective went up by %{value} points before it had settled', value: v.round)
          end

        # A cushion from the hover spends the rotor close to the ground: slow there is no limit passed.
        def airborne?(_index) = false
      end
    end
  end
end
