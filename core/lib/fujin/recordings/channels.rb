# frozen_string_literal: true

module Fujin
  module Recordings
    # The channels of the recording format (docs/reference/file-formats.md): name, unit and the range a believable
    # value lies in. A value outside its range is a drop-out, not a number.
    module Channels
      RANGES = {
        't_s' => nil,
        'utc' => nil,
        'lat_deg' => [-90, 90],
        'lon_deg' => [-180, 360],
        'alt_msl_ft' => [-2000, 40_000],
        'agl_ft' => [-200, 40_000],
        'gs_kt' => [0, 400],
        'track_deg' => [-360, 720],
        'ias_kt' => [-20, 300],
        'vs_fpm' => [-8000, 8000],
        'hdg_deg' => [-360, 720],
        'pitch_deg' => [-90, 90],
        'roll_deg' => [-180, 180],
        'nr_pct' => [0, 200],
        'rotor_rpm' => [0, 2000],
        'ne_pct' => [0, 200],
        'governor_on' => [0, 1],
        'map_inhg' => [0, 60],
        'tq_pct' => [-10, 200],
        'collective_pct' => [-30, 130],
        'throttle_pct' => [-30, 130],
        'stick_pct' => [-200, 200],
        'pedal_pct' => [-200, 200],
        'oat_c' => [-60, 60],
        'wind_from_deg' => [0, 360],
        'wind_kt' => [0, 150]
      }.freeze

      # What a person calls them.
      LABELS = {
        't_s' => 'Time',
        'utc' => 'Clock, UTC',
        'lat_deg' => 'Latitude',
        'lon_deg' => 'Longitude',
        'alt_msl_ft' => 'Altitude',
        'agl_ft' => 'Height above ground',
        'gs_kt' => 'Ground speed',
        'track_deg' => 'Track',
        'ias_kt' => 'Airspeed',
        'vs_fpm' => 'Vertical speed',
        'hdg_deg' => 'Heading',
        'pitch_deg' => 'Pitch',
        'roll_deg' => 'Roll',
        'nr_pct' => 'Rotor rpm',
        'rotor_rpm' => 'Rotor, revolutions a minute',
        'ne_pct' => 'Engine rpm',
        'governor_on' => 'Governor, 1 on and 0 off',
        'map_inhg' => 'Manifold pressure',
        'tq_pct' => 'Torque',
        'collective_pct' => 'Collective',
        'throttle_pct' => 'Throttle',
        'stick_pct' => 'Stick',
        'pedal_pct' => 'Pedals',
        'oat_c' => 'Outside air',
        'wind_from_deg' => 'Wind from',
        'wind_kt' => 'Wind speed'
      }.freeze

      NUMERIC = (RANGES.keys - %w[utc]).freeze
      # Kept in double precision; the rest needs only single.
      DOUBLE = %w[t_s lat_deg lon_deg].freeze
      ANGLES = %w[track_deg hdg_deg].freeze
    end
  end
end
