# frozen_string_literal: true

module Fujin
  module Recordings
    # A recording as read: rising times and named channels of the same length, NaN where nothing was recorded.
    #
    # `notes` say in plain words what was dropped or bridged; `bridged` holds [from_s, to_s] of gaps between
    # 0.5 and 2 s that were filled and are drawn dashed. `own_datum`: its altitudes are not above the sea.
    # `clock_s`: seconds since 1970 at time 0, nil when the file has no dated clock.
    Recording =
      Value.define(
        :name, :times, :channels, :notes, :bridged, :ignored_columns, :own_datum, :clock_s,
        defaults: {
          own_datum: false,
          clock_s: nil
        }
      ) do
        def [](channel) = channels[channel]
        def channel?(channel) = channels.key?(channel)
        def size = times.size
        def duration_s = times.last - times.first

        # Middle spacing of the samples, seconds.
        def step_s
          Quantities.median(times.each_cons(2).take(2000).map { |a, b| b - a })
        end

        def rate_hz = 1.0 / step_s
      end
  end
end
