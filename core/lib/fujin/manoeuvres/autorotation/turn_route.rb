# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Lays an autorotation with turns over the ground in a steady wind: set-up and entry on the first track, the turns
      # as they are flown, what height is left straight to the flare, the flare to the spot.
      class TurnRoute
        Q = Quantities

        # How far the route has come: time s, along and across m, height m.
        Row = Struct.new(:t_s, :along_m, :across_m, :height_m, :ias_kt, :groundspeed_m_s, :sink_m_s, :rotor_pct, :phase)
        State = Struct.new(:time, :along, :across, :height)

        # @param sequence [TurnSequence] of the turns in this wind, @param flown [FlownTurns]
        # @param glide [PacedGlide], @param flare [FlownSegments::Segment]
        def initialize(
          conditions,
          course_deg:,
          sequence:,
          flown:,
          glide:,
          height_ft:,
          flare_height_ft:,
          flare:,
          entry_speed_kt:,
          setup_s:
        )
          @conditions = conditions
          @course_deg = course_deg
          @sequence = sequence
          @flown = flown
          @glide = glide
          @height_ft = height_ft
          @flare_height_ft = flare_height_ft
          @flare = flare
          @entry_speed_kt = entry_speed_kt
          @setup_s = setup_s
        end

        # Turns as the steady ones they nearly are.
        def turns = @sequence.turns

        # True track of the entry.
        def entry_track_deg = (@course_deg + (tracks.first / Q::DEG)) % 360.0

        def height_lost_in_turns_ft = @flown.turn_height_lost_m / Q::FT
        def turn_seconds = @flown.turn_seconds
        def turn_start_height_ft = @height_ft - (@flown.entry.height_lost_m / Q::FT)
        def roll_out_height_ft = turn_start_height_ft - height_lost_in_turns_ft

        # From power loss to the settled glide after the turns, with or without the height for it.
        # @return [Taken]
        def begun
          @rows = []
          @state = State.new(0.0, 0.0, 0.0, @height_ft * Q::FT)
          lay_to_glide(@flown.turning + @flown.settling.drop(1))
          Taken.new(
            along_m: @state.along,
            across_m: @state.across,
            seconds: @state.time,
            height_m: (@height_ft * Q::FT) - @state.height,
            lined_up_s: @flown.settling.last.t_s - @flown.settling.first.t_s
          )
        end

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

        private

        def tracks = @sequence.tracks
        def wind = @sequence.wind
        def ground_speed(track, speed) = @sequence.ground_speed(track, speed)

        def lay_to_glide(rows)
          segment(@flown.entry, tracks.first, :entry) { |along| ground_speed(tracks.first, along) }
          fly(rows)
        end

        def lay
          lay_to_glide(turned_rows)
          @glide.legs([@state.height - (@flare_height_ft * Q::FT), 0.0].max).each { |leg| straight(leg) }
          segment(@flare, 0.0, nil) { |along| @sequence.flare_ground_speed(along) }
        end

        # The turns and as much of the settling after them as the height has room for.
        def turned_rows
          @turned_rows ||=
            begin
              lowest =
                @flown.rows.first.height_m - (@height_ft * Q::FT) + (@flare_height_ft * Q::FT) + @glide.least_height_m
              @flown.turning + @flown.settling.drop(1).take_while { |row| row.height_m >= lowest }
            end
        end

        # Along and across the final course between two rows through the air.
        def through_air(from, to)
          LocalMap.along_across(
            to.ahead_m - from.ahead_m,
            to.beside_m - from.beside_m,
            -@sequence.final_heading / Q::DEG
          )
        end

        def keep(ias_kt, ground, sink, rotor, phase)
          @rows << Row.new(@state.time, @state.along, @state.across, @state.height, ias_kt, ground, sink, rotor, phase)
        end

        def go(track, metres)
          @state.along += metres * Math.cos(track)
          @state.across += metres * Math.sin(track)
        end

        # A flown segment along a track, rows as FlownSegments has them; the block makes ground speed of airspeed.
        def segment(flown, track, phase)
          last = flown.rows.first
          flown.rows.each_with_index do |row, i|
            step = row.t_s - last.t_s
            go(track, yield((row.air_along_m_s + last.air_along_m_s) / 2.0) * step)
            @state.time += step
            @state.height -= last.height_m - row.height_m
            last = row
            if (i % 10).zero? || i == flown.rows.size - 1
              keep(row.ias_kt, yield(row.air_along_m_s), row.sink_m_s, row.rotor_pct, phase || row.phase)
            end
          end
        end

        def straight(leg)
          return if leg.height_m <= 0.0

          time = leg.seconds
          ground = ground_speed(0.0, @conditions.atmosphere.true_speed(leg.speed_kt * Q::KT))
          steps = [time.ceil, 1].max
          steps.times do
            go(0.0, ground * time / steps)
            @state.time += time / steps
            @state.height -= leg.height_m / steps
            keep(leg.speed_kt, ground, leg.sink_m_s, leg.rotor_pct, :glide)
          end
        end

        # Rows through the air, carried by the wind.
        def fly(rows)
          origin = @state.dup
          heading = @sequence.final_heading
          rows.each_with_index do |row, i|
            along, across = through_air(rows.first, row)
            seconds = row.t_s - rows.first.t_s
            @state =
              State.new(
                origin.time + seconds,
                origin.along + along + (wind[0] * seconds),
                origin.across + across + (wind[1] * seconds),
                origin.height - (rows.first.height_m - row.height_m)
              )
            next unless (i % 10).zero? || i == rows.size - 1

            ahead, beside = LocalMap.along_across(row.ahead_m_s, row.beside_m_s, -heading / Q::DEG)
            keep(row.ias_kt, Math.hypot(ahead + wind[0], beside + wind[1]), row.sink_m_s, row.rotor_pct, row.phase)
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
