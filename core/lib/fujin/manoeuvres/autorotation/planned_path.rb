# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Lays set-up, entry, glide and flare one after another over the ground, ending at the spot.
      class PlannedPath
        Q = Quantities
        ROW_EVERY = 10
        Row = Struct.new(:t_s, :along_m, :height_ft, :ias_kt, :groundspeed_m_s, :sink_m_s, :rotor_pct, :phase)

        # @param legs [Array<PacedGlide::Leg>] between entry and flare
        def initialize(setup_s:, height_ft:, entry_speed_kt:, entry:, legs:, flare:,
                       flare_height_ft:, true_speed:, ground_speed:, flare_ground_speed:, established_s:)
          @setup_s = setup_s
          @height_ft = height_ft
          @entry_speed_kt = entry_speed_kt
          @entry = entry
          @legs = legs
          @flare = flare
          @flare_height_ft = flare_height_ft
          @true_speed = true_speed
          @ground_speed = ground_speed
          @flare_ground_speed = flare_ground_speed
          @established_s = established_s
        end

        # @return [Array<PathPoint>] time 0 at power loss, along 0 at the spot
        def points
          laid = setup + flown(@entry, [0.0, 0.0], @height_ft, @ground_speed) + glide
          # The flare's first row is the glide's last.
          laid += flown(@flare, [laid.last.t_s, laid.last.along_m], @flare_height_ft, @flare_ground_speed).drop(1)
          total = laid.last.along_m
          laid.map { |row| point(row, total) }
        end

        private

        def setup
          speed = @ground_speed.call(@true_speed.call(@entry_speed_kt))
          (-@setup_s.to_i...0).map do |t|
            Row.new(t.to_f, speed * t, @height_ft, @entry_speed_kt, speed, 0.0, 100.0, :setup)
          end
        end

        def flown(segment, origin, top_ft, ground_speed)
          along = origin[1]
          last = segment.rows.first
          rows =
            segment.rows.each_with_index.filter_map do |row, i|
              along += ground_speed.call((row.air_along_m_s + last.air_along_m_s) / 2.0) * (row.t_s - last.t_s)
              last = row
              next unless (i % ROW_EVERY).zero? || i == segment.rows.size - 1

              height = top_ft - ((segment.rows.first.height_m - row.height_m) / Q::FT)
              Row.new(
                origin[0] + row.t_s,
                along,
                height,
                row.ias_kt,
                ground_speed.call(row.air_along_m_s),
                row.sink_m_s,
                row.rotor_pct,
                phase_of(row, segment)
              )
            end
          @end_of_flown = rows.last
          rows
        end

        # The entry lasts until the glide is established, whatever the pilot's hands call it.
        def phase_of(row, segment)
          return row.phase unless segment.equal?(@entry)

          row.t_s < @established_s ? :entry : :glide
        end

        def glide
          from = @end_of_flown
          @legs.flat_map do |leg|
            rows = leg_rows(leg, from)
            from = rows.last
            rows
          end
        end

        def leg_rows(leg, start)
          speed = @ground_speed.call(@true_speed.call(leg.speed_kt))
          time = leg.seconds
          steps = [time.ceil, 1].max
          (1..steps).map do |k|
            t = time * k / steps
            Row.new(
              start.t_s + t,
              start.along_m + (speed * t),
              start.height_ft - (leg.sink_m_s * t / Q::FT),
              leg.speed_kt,
              speed,
              leg.sink_m_s,
              leg.rotor_pct,
              :glide
            )
          end
        end

        def point(row, total)
          Planning::PathPoint.new(
            t_s: row.t_s,
            along_ft: (row.along_m - total) / Q::FT,
            across_ft: 0.0,
            height_ft: row.height_ft,
            ias_kt: row.ias_kt,
            groundspeed_kt: row.groundspeed_m_s / Q::KT,
            sink_fpm: row.sink_m_s / Q::FPM,
            rotor_rpm_pct: row.rotor_pct,
            phase: row.phase
          )
        end
      end
    end
  end
end
