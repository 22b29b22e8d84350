# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # One large collective movement in a glide, where small early ones were wanted. For fault finders that include
      # FaultFinding.
      module BigCheck
        # The collective up by more than this share of its travel, percent, within so long.
        BIG_PCT = 12.0
        WITHIN_S = 1.5

        private

        # @return [FoundFault, nil]
        def big_check(from, to)
          collective = @signals[:collective] or return nil
          apart = @signals.samples(WITHIN_S)
          smooth = Recordings::Smoothing.mean(collective[samples(from, to)], @signals.samples(0.2))
          rise, at =
            (0...(smooth.size - apart)).map { |i| [smooth[i + apart] - smooth[i], i] }.reject { |r, _| r.nan? }.max
          return nil unless rise && rise > BIG_PCT

          start = @signals.time(@signals.index(from) + at)
          found(
            'one_big_check',
            Text.of('the collective went up by %{rise} points of its travel within %{within_s} s',
                    rise: rise.round, within_s: WITHIN_S),
            [],
            from: start,
            to: start + WITHIN_S
          )
        end
      end
    end
  end
end
