# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Lays set-up, entry, glide and flare one after another over the ground, ending at the spot.
      class PlannedPath
        Q = Quantities
        ROW_EVERY = 10

        def initialize(setup_s:, height_ft:, entry_speed_kt:, glide_speed_kt:, target_pct:, entry:, flare:, sink_m_s:,
                       flare_height_ft:, true_speed:, ground_speed:, established_s:)
          @setup_s = setup_s
          @height_ft = height_ft
          @entry_speed_kt = entry_speed_kt
          @glide_speed_kt = glide_speed_kt
          @target_pct = target_pct
          @entry = entry
          @flare = flare
          @sink_m_s = sink_m_s
          @flare_height_ft = flare_height_ft
          @true_speed = true_speed
          @ground_speed = ground_speed
          @established_s = established_s
        end

        # @return [Array<PathPoint>] time 0 at power loss, along 0 at the spot
        def points
          laid = setup + flown(@entry, [0.0, 0.0], @height_ft) + glide
          # The flare's first row is the glide's last.
          laid += flown(@flare, [laid.last[0], laid.last[1]], @flare_height_ft).drop(1)
          total = laid.last[1]
          laid.map { |row| point(row, total) }
        end

        private

        # Rows here are [t_s, along_m, height_ft, ias_kt, groundspeed_m_s, sink_m_s, rotor_pct, phase].
        def setup
          speed = @ground_speed.call(@true_speed.call(@entry_speed_kt))
          (-@setup_s.to_i...0).map { |t| [t.to_f, speed * t, @height_ft, @entry_speed_kt, speed, 0.0, 100.0, :setup] }
        end

        def flown(segment, origin, top_ft)
          along = origin[1]
          last = segment.rows.first
          rows =
            segment.rows.each_with_index.filter_map do |row, i|
              along += @ground_speed.call((row[3] + last[3]) / 2.0) * (row[0] - last[0])
              last = row
              next unless (i % ROW_EVERY).zero? || i == segment.rows.size - 1

              [
                origin[0] + row[0],
                along,
                top_ft - ((segment.rows.first[2] - row[2]) / Q::FT),
                row[4],
                @ground_speed.call(row[3]),
                row[5],
                row[6],
                phase_of(row, segment)
              ]
            end
          @end_of_flown = rows.last
          rows
        end

        # The entry lasts until the glide is established, whatever the pilot's hands call it.
        def phase_of(row, segment)
          return row[7] unless segment.equal?(@entry)

          row[0] < @established_s ? :entry : :glide
        end

        def glide
          start = @end_of_flown
          speed = @ground_speed.call(@true_speed.call(@glide_speed_kt))
          time = (start[2] - @flare_height_ft) * Q::FT / @sink_m_s
          steps = [time.ceil, 1].max
          (1..steps).map do |k|
            t = time * k / steps
            [
              start[0] + t,
              start[1] + (speed * t),
              start[2] - (@sink_m_s * t / Q::FT),
              @glide_speed_kt,
              speed,
              @sink_m_s,
              @target_pct,
              :glide
            ]
          end
        end

        def point(row, total)
          Planning::PathPoint.new(
            t_s: row[0],
            along_ft: (row[1] - total) / Q::FT,
            across_ft: 0.0,
            height_ft: row[2],
            ias_kt: row[3],
            groundspeed_kt: row[4] / Q::KT,
            sink_fpm: row[5] / Q::FPM,
            rotor_rpm_pct: row[6],
            phase: row[7]
          )
        end
      end
    end
  end
end
