# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Lays an autorotation with turns over the ground in a steady wind: set-up and entry on the first track, a short
      # glide, the turns one after another, what height is left straight to the flare, the flare to the spot.
      class TurnRoute
        Q = Quantities
        # Glide between entry and the first turn, seconds.
        ESTABLISHED_S = 2.0

        # How far the route has come: time s, along and across m, height m.
        Row = Struct.new(:t_s, :along_m, :across_m, :height_m, :ias_kt, :groundspeed_m_s, :sink_m_s, :rotor_pct, :phase)
        State = Struct.new(:time, :along, :across, :height)

        # @param turns_deg [Array<Float>] track changes in order, right +
        def initialize(
          conditions,
          course_deg:,
          trim:,
          glide_speed_kt:,
          target_pct:,
          bank_deg:,
          turns_deg:,
          height_ft:,
          flare_height_ft:,
          entry:,
          flare:,
          entry_speed_kt:,
          setup_s:
        )
          @conditions = conditions
          @course_deg = course_deg
          @glide_speed_kt = glide_speed_kt
          @target_pct = target_pct
          @turns_deg = turns_deg
          @height_ft = height_ft
          @flare_height_ft = flare_height_ft
          @entry = entry
          @flare = flare
          @entry_speed_kt = entry_speed_kt
          @setup_s = setup_s
          @true_glide = conditions.atmosphere.true_speed(glide_speed_kt * Q::KT)
          @sink = trim.autorotation_sink_m_s(glide_speed_kt, rotor_pct: target_pct)
          @sequence =
            TurnSequence.new(
              conditions,
              course_deg: course_deg,
              trim: trim,
              speed_kt: glide_speed_kt,
              target_pct: target_pct,
              bank_deg: bank_deg,
              turns_deg: turns_deg
            )
        end

        def turns = @sequence.turns

        # True track of the entry.
        def entry_track_deg = (@course_deg - @turns_deg.sum) % 360.0

        def height_lost_in_turns_ft = @sequence.height_lost_m / Q::FT
        def turn_start_height_ft = @height_ft - ((@entry.height_lost_m + (@sink * ESTABLISHED_S)) / Q::FT)
        def roll_out_height_ft = turn_start_height_ft - height_lost_in_turns_ft

        # @return [Array<PathPoint>] time 0 at power loss, the end at the spot
        def points
          @points ||= begin
            @rows = []
            @state = State.new(0.0, 0.0, 0.0, @height_ft * Q::FT)
            lay
            last = @rows.last
            (setup_rows + @rows).map { |row| point(row, last) }
          end
        end

        # Height's worth of speed that the entry still has over the glide's.
        def carried_m = ((@entry.rows.last.air_speed_m_s**2) - (@true_glide**2)) / (2.0 * Q::G)

        private

        def tracks = @sequence.tracks
        def ground_speed(track, speed) = @sequence.ground_speed(track, speed)

        def lay
          segment(@entry, tracks.first, :entry)
          straight(@sink * ESTABLISHED_S, tracks.first)
          turns.each_index { |i| turned(i) }
          straight(@state.height - (@flare_height_ft * Q::FT), 0.0, carried_m)
          segment(@flare, 0.0, nil)
        end

        def keep(ias_kt, ground, sink, rotor, phase)
          @rows << Row.new(@state.time, @state.along, @state.across, @state.height, ias_kt, ground, sink, rotor, phase)
        end

        def go(track, metres)
          @state.along += metres * Math.cos(track)
          @state.across += metres * Math.sin(track)
        end

        # A flown segment along a track; rows as FlownSegments has them.
        def segment(flown, track, phase)
          last = flown.rows.first
          flown.rows.each_with_index do |row, i|
            step = row.t_s - last.t_s
            go(track, ground_speed(track, (row.air_speed_m_s + last.air_speed_m_s) / 2.0) * step)
            @state.time += step
            @state.height -= last.height_m - row.height_m
            last = row
            if (i % 10).zero? || i == flown.rows.size - 1
              keep(row.ias_kt, ground_speed(track, row.air_speed_m_s), row.sink_m_s, row.rotor_pct, phase || row.phase)
            end
          end
        end

        def straight(height_m, track, carried_m = 0.0)
          return if height_m <= 0.0

          time = (height_m + carried_m) / @sink
          ground = ground_speed(track, @true_glide)
          steps = [time.ceil, 1].max
          steps.times do
            go(track, ground * time / steps)
            @state.time += time / steps
            @state.height -= height_m / steps
            keep(@glide_speed_kt, ground, @sink, @target_pct, :glide)
          end
        end

        def turned(index)
          turn = turns[index]
          wind = @sequence.wind
          origin = @state.dup
          turn
            .rows
            .each_cons(2)
            .with_index do |(before, row), i|
              along, across = @sequence.through_air(turn, index, row)
              @state =
                State.new(
                  origin.time + row.t_s,
                  origin.along + along + (wind[0] * row.t_s),
                  origin.across + across + (wind[1] * row.t_s),
                  origin.height - row.height_lost_m
                )
              facing = @sequence.heading(index) + row.heading_rad
              ground =
                Math.hypot((@true_glide * Math.cos(facing)) + wind[0], (@true_glide * Math.sin(facing)) + wind[1])
              if (i % 8).zero? || i == turn.rows.size - 2
                sink = (row.height_lost_m - before.height_lost_m) / (row.t_s - before.t_s)
                keep(@glide_speed_kt, ground, sink, @target_pct, :turn)
              end
            end
        end

        def setup_rows
          track = tracks.first
          speed = ground_speed(track, @conditions.atmosphere.true_speed(@entry_speed_kt * Q::KT))
          (-@setup_s.to_i...0).map do |t|
            Row.new(
              t.to_f,
              speed * t * Math.cos(track),
              speed * t * Math.sin(track),
              @height_ft * Q::FT,
              @entry_speed_kt,
              speed,
              0.0,
              100.0,
              :setup
            )
          end
        end

        def point(row, last)
          Planning::PathPoint.new(
            t_s: row.t_s,
            along_ft: (row.along_m - last.along_m) / Q::FT,
            across_ft: (row.across_m - last.across_m) / Q::FT,
            height_ft: row.height_m / Q::FT,
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
