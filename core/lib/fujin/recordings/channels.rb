# frozen_string_literal: true

module Fujin
  module Recordings
    # The channels of the recording format (DESIGN.md): name, unit and the range a believable value lies in.
    # A value outside its range is a drop-out, not a number.
    module Channels
      RANGES = {
        't_s' => nil, 'utc' => nil,
        'lat_deg' => [-90, 90], 'lon_deg' => [-180, 360], 'alt_msl_ft' => [-2000, 40_000], 'agl_ft' => [-200, 40_000],
        'gs_kt' => [0, 400], 'track_deg' => [-360, 720], 'ias_kt' => [-20, 300], 'vs_fpm' => [-8000, 8000],
        'hdg_deg' => [-360, 720], 'pitch_deg' => [-90, 90], 'roll_deg' => [-180, 180], 'nr_pct' => [0, 200],
        'rotor_rpm' => [0, 2000], 'ne_pct' => [0, 200], 'map_inhg' => [0, 60], 'tq_pct' => [-10, 200],
        'collective_pct' => [-30, 130], 'throttle_pct' => [-30, 130], 'stick_pct' => [-200, 200], 'pedal_pct' => [-200, 200],
        'oat_c' => [-60, 60], 'wind_from_deg' => [0, 360], 'wind_kt' => [0, 150]
      }.freeze

      NUMERIC = (RANGES.keys - %w[utc]).freeze
      # Kept in double precision; the rest needs only single.
      DOUBLE = %w[t_s lat_deg lon_deg].freeze
      ANGLES = %w[track_deg hdg_deg].freeze
    end

    # A recording as read: rising times and named channels of the same length, NaN where nothing was recorded.
    #
    # `notes` say in plain words what was dropped or bridged; `bridged` holds [from_s, to_s] of gaps between
    # 0.5 and 2 s that were filled and are drawn dashed. `own_datum`: its altitudes are not above the sea.
    # `clock_s`: seconds since 1970 at time 0, nil when the file has no dated clock.
    Recording = Value.define(:name, :times, :channels, :notes, :bridged, :ignored_columns, :own_datum, :clock_s, defaults: { own_datum: false, clock_s: nil }) do
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
