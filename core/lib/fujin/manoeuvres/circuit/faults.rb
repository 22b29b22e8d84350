# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Circuit
      # Faults of a circuit: the downwind leg's track, and the approach it sets up.
      class Faults
        include Grading::FaultFinding

        # The angle met sooner than this after the turn onto final leaves no time to settle on it.
        SETTLE_S = 4.0

        private

        def final = @attempt.phase('final')

        def rushed_setup
          met = value('set_up_after_s') or return nil
          return nil unless met < SETTLE_S

          found(
            'rushed_setup',
            Text.of('the approach angle was met %{met} s after the turn onto final', met: met.round(1)),
            ['set_up_after_s'],
            from: final.start_s,
            to: final.start_s + SETTLE_S
          )
        end

        def drifted_off_track
          return nil unless bad?('downwind_track_off_deg')

          off = value('downwind_track_off_deg')
          found(
            'drifted_off_track',
            Text.of('downwind %{off}° %{side} of the reverse course',
                    off: off.abs.round, side: off.positive? ? 'right' : 'left'),
            ['downwind_track_off_deg'],
            **phase_span('downwind')
          )
        end

        def too_steep = bad_high?('approach_angle_deg') ? angle('too_steep') : nil
        def too_shallow = bad_low?('approach_angle_deg') ? angle('too_shallow') : nil

        def angle(id) =
          found(
            id,
            Text.of('%{approach_angle_deg}° over the ground, %{target}° is planned',
                    approach_angle_deg: value('approach_angle_deg').round(1),
                    target: measure('approach_angle_deg').band.target.round(1)),
            ['approach_angle_deg'],
            **phase_span('final')
          )
      end
    end
  end
end
