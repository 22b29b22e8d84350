# frozen_string_literal: true

module Fujin
  module Grading
    # The angle of the path over the ground from 200 to 15 ft.
    module ApproachAngle
      FROM_FT = 200.0
      TO_FT = 15.0

      module_function

      # @param from_ft [Float] where it begins to count, for what is told from the line's beginning
      # @return [Float, nil] degrees
      def of(signals, from_s, to_s, from_ft: FROM_FT)
        range = signals.index(from_s)..signals.index(to_s)
        zero = signals.agl_zero_ft
        high = range.find { |i| signals[:agl][i] - zero <= from_ft } or return nil
        low = (high..range.last).find { |i| signals[:agl][i] - zero <= TO_FT } || range.last
        lost = signals[:agl][high] - signals[:agl][low]
        distance = (high...low).sum { |i| signals[:gs][i] * signals.step_s * Measuring::FT_PER_KT_S }
        lost > 30.0 && distance > 1.0 ? Math.atan2(lost, distance) / Quantities::DEG : nil
      end
    end
  end
end
