# frozen_string_literal: true

module Fujin
  module Planning
    # Lays an autorotation with turns over the ground in a steady wind: set-up and entry on the first track, a short glide,
    # the turns one after another, what height is left straight to the flare, the flare to the spot.
    # Tracks are held with the right drift angle, so a turn's heading change is its track change plus the drifts' difference.
    class TurnRoute
      Q = Quantities

      # How far the route has come: time s, along and across m, height m.
      State = Struct.new(:time, :along, :across, :height)

      attr_reader :turns

      # @param turns_deg [Array<Float>] track changes in order, right +
      # @param established_s [Float] glide between entry and the first turn
      def initialize(conditions, course_deg:, trim:, glide_speed_kt:, target_pct:, bank_deg:, turns_deg:, height_ft:, flare_height_ft:,
                     entry:, flare:, entry_speed_kt:, setup_s:, established_s: 2.0)
        @conditions = conditions
        @course_deg = course_deg
        @trim = trim
        @glide_speed_kt = glide_speed_kt
        @target_pct = target_pct
        @bank_deg = bank_deg
        @turns_deg = turns_deg
        @height_ft = height_ft
        @flare_height_ft = flare_height_ft
        @entry = entry
        @flare = flare
        @entry_speed_kt = entry_speed_kt
        @setup_s = setup_s
        @established_s = established_s
        @true_glide = conditions.atmosphere.true_speed(glide_speed_kt * Q::KT)
        @sink = trim.autorotation_sink_m_s(glide_speed_kt, rotor_pct: target_pct)
        north, east = conditions.wind.vector
        @wind = LocalMap.along_across(north, east, course_deg)
        @turns = fly_turns
      end

      # True track of the entry.
      def entry_track_deg = (@course_deg - @turns_deg.sum) % 360.0

      def height_lost_in_turns_ft = turns.sum(&:height_lost_m) / Q::FT
      def turn_start_height_ft = @height_ft - ((@entry.height_lost_m + (@sink * @established_s)) / Q::FT)
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

      private

      # Relative track of each leg, radians from the final course.
      def tracks = @tracks ||= @turns_deg.each_with_object([-@turns_deg.sum]) { |deg, all| all << (all.last + deg) }.map { |deg| deg * Q::DEG }

      def drift(track, speed)
        across = cross(track)
        raise OutsideModel, 'the wind is stronger than the glide speed: no track can be held' unless across.abs < speed

        Math.asin(-across / speed)
      end

      # Wind across and along a track, m/s, + to the right and + from behind.
      def cross(track) = (@wind[1] * Math.cos(track)) - (@wind[0] * Math.sin(track))
      def tail(track) = (@wind[0] * Math.cos(track)) + (@wind[1] * Math.sin(track))
      def ground_speed(track, speed) = (Math.cos(drift_or_none(track, speed)) * speed) + tail(track)
      def drift_or_none(track, speed) = cross(track).abs < speed ? drift(track, speed) : 0.0

      def fly_turns
        @turns_deg.each_with_index.map do |deg, i|
          change = deg + ((drift(tracks[i + 1], @true_glide) - drift(tracks[i], @true_glide)) / Q::DEG)
          Flight::AutorotationTurn.of(@trim, speed_kt: @glide_speed_kt, turn_deg: change, bank_deg: @bank_deg, rotor_pct: @target_pct).fly
        end
      end

      def lay
        segment(@entry, tracks.first, :entry)
        straight(@sink * @established_s, tracks.first)
        @turns.each_with_index { |turn, i| turned(turn, tracks[i]) }
        straight(@state.height - (@flare_height_ft * Q::FT), 0.0, carried_m)
        segment(@flare, 0.0, nil)
      end

      def keep(ias_kt, ground, sink, rotor, phase)
        @rows << [@state.time, @state.along, @state.across, @state.height, ias_kt, ground, sink, rotor, phase]
      end

      def go(track, metres)
        @state.along += metres * Math.cos(track)
        @state.across += metres * Math.sin(track)
      end

      # A flown segment along a track; rows as FlownSegments has them.
      def segment(flown, track, phase)
        last = flown.rows.first
        flown.rows.each_with_index do |row, i|
          step = row[0] - last[0]
          go(track, ground_speed(track, (row[3] + last[3]) / 2.0) * step)
          @state.time += step
          @state.height -= last[2] - row[2]
          last = row
          keep(row[4], ground_speed(track, row[3]), row[5], row[6], phase || row[7]) if (i % 10).zero? || i == flown.rows.size - 1
        end
      end

      # Height's worth of speed that the entry still has over the glide's.
      def carried_m = ((@entry.rows.last[3]**2) - (@true_glide**2)) / (2.0 * Q::G)

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

      def turned(turn, track)
        heading = track + drift(track, @true_glide)
        origin = @state.dup
        turn.rows.each_cons(2).with_index do |(before, row), i|
          along, across = LocalMap.along_across(row[1], row[2], -heading / Q::DEG)
          @state = State.new(origin.time + row[0], origin.along + along + (@wind[0] * row[0]), origin.across + across + (@wind[1] * row[0]), origin.height - row[3])
          facing = heading + row[4]
          ground = Math.hypot((@true_glide * Math.cos(facing)) + @wind[0], (@true_glide * Math.sin(facing)) + @wind[1])
          keep(@glide_speed_kt, ground, (row[3] - before[3]) / (row[0] - before[0]), @target_pct, :turn) if (i % 8).zero? || i == turn.rows.size - 2
        end
      end

      def setup_rows
        track = tracks.first
        speed = ground_speed(track, @conditions.atmosphere.true_speed(@entry_speed_kt * Q::KT))
        (-@setup_s.to_i...0).map { |t| [t.to_f, speed * t * Math.cos(track), speed * t * Math.sin(track), @height_ft * Q::FT, @entry_speed_kt, speed, 0.0, 100.0, :setup] }
      end

      def point(row, last)
        PathPoint.new(t_s: row[0], along_ft: (row[1] - last[1]) / Q::FT, across_ft: (row[2] - last[2]) / Q::FT, height_ft: row[3] / Q::FT, ias_kt: row[4],
                      groundspeed_kt: row[5] / Q::KT, sink_fpm: row[6] / Q::FPM, rotor_rpm_pct: row[7], phase: row[8])
      end
    end
  end
end
