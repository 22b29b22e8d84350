# frozen_string_literal: true

module Fujin
  module Flight
    # Turns a flown run into what an ordinary recorder would have written: its channels, rate, noise and lags,
    # all from one seed. Used for the demo, the stand-in recorder and the tests.
    class Recorder
      COLUMNS = %w[
        t_s lat_deg lon_deg alt_msl_ft agl_ft gs_kt track_deg ias_kt vs_fpm hdg_deg pitch_deg roll_deg nr_pct ne_pct
        collective_pct throttle_pct pedal_pct
      ].freeze
      # One standard deviation of each reading.
      NOISE = {
        position_m: 0.5,
        alt_ft: 2.0,
        agl_ft: 0.35,
        gs_kt: 0.25,
        track_deg: 0.7,
        ias_kt: 0.7,
        vs_fpm: 25.0,
        heading_deg: 0.5,
        attitude_deg: 0.25,
        nr_pct: 0.15,
        control_pct: 0.4
      }.freeze
      VERTICAL_SPEED_LAG_S = 0.7

      # @param origin [Array(Float, Float)] latitude, longitude of the run's origin
      # @param elevation_ft [Float] of the ground
      # @param noise [Float] 0 is none, 1 an ordinary recorder
      def initialize(type:, origin:, elevation_ft: 0.0, rate_hz: 10.0, seed: 1, noise: 1.0)
        @type = type
        @map = LocalMap.new(*origin)
        @elevation_ft = elevation_ft
        @rate_hz = rate_hz
        @random = Random.new(seed)
        @noise = noise
        @power_name = type.fetch('engine.power_instrument') == 'torque_pct' ? 'tq_pct' : 'map_inhg'
      end

      def columns = COLUMNS + [@power_name]

      # @param run [Run]
      # @param start_s [Float] time of the run's first row in the recording
      # @return [Array<Array>] rows in the order of #columns
      def rows(run, start_s: 0.0)
        lagged = nil
        next_at = 0.0
        run.rows.filter_map do |row|
          climb_fpm = row.v_up / Quantities::FPM
          lagged = lagged ? Lag.follow(lagged, climb_fpm, Model::STEP_S, VERTICAL_SPEED_LAG_S) : climb_fpm
          next if row.t_s < next_at - 1e-9

          next_at += 1.0 / @rate_hz
          sample(row, lagged, start_s, run)
        end
      end

      # @return [String] a CSV file in the recording format
      def csv(run, start_s: 0.0)
        ([columns.join(',')] + rows(run, start_s: start_s).map { |row| row.join(',') }).join("\n") << "\n"
      end

      private

      def sample(row, climb_fpm, start_s, run)
        t,
        north,
        east,
        height,
        v_north,
        v_east,
        _v_up,
        air,
        heading,
        pitch,
        bank,
        nr,
        ne,
        collective,
        pedal,
        open,
        power =
          *row
        lat, lon = @map.lat_lon(north + noise(:position_m), east + noise(:position_m))
        speed = Math.hypot(v_north, v_east)
        track = speed > 0.3 ? Math.atan2(v_east, v_north) : heading
        height_ft = height / Quantities::FT
        [
          (start_s + t).round(3),
          lat.round(7),
          lon.round(7),
          (height_ft + @elevation_ft + noise(:alt_ft)).round(1),
          (height_ft + noise(:agl_ft)).round(2),
          [(speed / Quantities::KT) + noise(:gs_kt), 0.0].max.round(2),
          degrees(track, :track_deg),
          [(air / Quantities::KT) + noise(:ias_kt), 0.0].max.round(1),
          (climb_fpm + noise(:vs_fpm)).round,
          degrees(heading, :heading_deg),
          ((pitch / Quantities::DEG) + 2.0 + noise(:attitude_deg)).round(2),
          ((bank / Quantities::DEG) + noise(:attitude_deg)).round(2),
          (nr + noise(:nr_pct)).round(2),
          (ne + noise(:nr_pct)).round(2),
          ((100.0 * collective) + noise(:control_pct)).clamp(-1.0, 101.0).round(1),
          throttle(open, collective).round(1),
          pedal_shown(pedal),
          run.model.engine.instrument(power, ne / 100.0).round(2)
        ]
      end

      # The throttle follows the governor: near open while it drives, near zero when closed.
      def throttle(open, collective) = [(open ? 55.0 + (40.0 * collective) : 2.0) + noise(:control_pct), 0.0].max

      def pedal_shown(share)
        side = @type.clockwise? ? 1.0 : -1.0
        ((side * 100.0 * (share - 0.35)) + noise(:control_pct)).clamp(-100.0, 100.0).round(1)
      end

      def degrees(angle, kind) = (((angle / Quantities::DEG) + noise(kind)) % 360.0).round(1)

      def noise(kind)
        return 0.0 if @noise.zero?

        @noise * NOISE.fetch(kind) * NormalRandom.draw(@random)
      end
    end
  end
end
