# frozen_string_literal: true

module Fujin
  module Truth
    # A recorder with ordinary noise that is off a little all through a flight, and that lacks something: samples or
    # channels.
    class PoorRecorder
      GPS = %w[t_s lat_deg lon_deg alt_msl_ft gs_kt track_deg].freeze
      # Every so many of ten samples a second, and the channels it lacks.
      ALL = {
        'everything, 10 Hz' => [1, []],
        '2 Hz' => [5, []],
        '1 Hz' => [10, []],
        'no height above ground' => [1, %w[agl_ft]],
        'no airspeed' => [1, %w[ias_kt]],
        'no rotor rpm' => [1, %w[nr_pct ne_pct]],
        'no throttle' => [1, %w[throttle_pct]],
        'satellite only' => [1, nil]
      }.freeze
      # What each is off by all through a flight, one standard deviation.
      OFF = {
        'agl_ft' => 0.2, 'alt_msl_ft' => 8.0, 'gs_kt' => 0.12, 'ias_kt' => 0.7, 'hdg_deg' => 0.6, 'pitch_deg' => 0.3,
        'roll_deg' => 0.3, 'nr_pct' => 0.15, 'ne_pct' => 0.15, 'collective_pct' => 0.35
      }.freeze
      # Both ways over the ground, degrees of latitude: some 4 ft.
      PLACE_OFF_DEG = 1.1e-5

      attr_reader :name

      # @param name [String] of ALL
      def initialize(name)
        @name = name
        @every, @lacking = ALL.fetch(name)
      end

      # @param rows [Array<Array<Float>>] ten a second, @param columns [Array<String>], @param random [Random]
      # @return [Recordings::Recording]
      def recording(rows, columns, random)
        off = columns.to_h { |column| [column, offset(column, random)] }
        kept = @lacking ? columns - @lacking : columns & GPS
        places = kept.map { |column| columns.index(column) }
        # It is started at any moment.
        lines = rows.drop(random.rand(@every)).each_slice(@every).map do |some, *|
          places.map { |i| (some[i] + off.fetch(columns[i])).round(7) }.join(',')
        end
        Recordings.read(([kept.join(',')] + lines).join("\n") << "\n")
      end

      private

      def offset(column, random)
        return PLACE_OFF_DEG * NormalRandom.draw(random) if %w[lat_deg lon_deg].include?(column)

        OFF.fetch(column, 0.0) * NormalRandom.draw(random)
      end
    end
  end
end
