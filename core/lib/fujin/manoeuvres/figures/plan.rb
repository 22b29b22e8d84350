# frozen_string_literal: true

module Fujin
  module Planning
    # Plans a figure over the ground in a wind. For a constant radius R over the ground the bank is
    # tan Φ = v²/(g·R·cos δ), v the ground speed and δ the drift angle there: derived from the wind triangle, since the
    # heading turns at v/R · dψ/dχ and dψ/dχ = v/(V·cos δ).
    class GroundReferencePlan < ManoeuvrePlan
      STEEPEST_BANK_DEG = 45.0

      private

      def default_height_ft = 800.0
      def height_range_ft = [300, 3000]
      def speed_kt = @type.fetch('speeds_kt.cruise').to_f
      def slow_headings = []
      def radius_ft = (@settings['radius_ft'] || default_radius_ft).to_f

      # A radius that asks for about 30° at the greatest ground speed.
      def default_radius_ft
        fastest = (true_kt(speed_kt) + wind.speed_kt) * Q::KT
        (fastest * fastest / (Q::G * Math.tan(30.0 * Q::DEG)) / Q::FT).ceil(-1).clamp(150, 3000)
      end

      # Ground speed, drift and bank while tracking round a circle of the radius.
      def on_track(track_deg)
        drift = drift_deg(track_deg, speed_kt)
        raise OutsideModel, "the wind is stronger than #{speed_kt.round} kt: no figure can be held" unless drift

        ground = groundspeed_kt(track_deg, speed_kt)
        raise OutsideModel, "no ground speed is left against this wind at #{speed_kt.round} kt" unless ground > 1.0

        v = ground * Q::KT
        bank = Math.atan2(v * v, Q::G * radius_ft * Q::FT * Math.cos(drift * Q::DEG)) / Q::DEG
        { track: track_deg % 360.0, heading: (track_deg + drift) % 360.0, drift: drift, groundspeed: ground, bank: bank }
      end

      def around(step_deg = 5) = (0...360).step(step_deg).map { |deg| on_track(@course_deg + deg) }

      def common_numbers
        ring = around
        steepest = ring.max_by { |p| p[:bank] }
        slowest = ring.min_by { |p| p[:groundspeed] }
        { 'entry_height_ft' => number(@height_ft, 'ft'), 'entry_speed_kt' => number(speed_kt, 'kt'), 'turn_radius_ft' => number(radius_ft, 'ft'),
          'bank_deg' => number(steepest[:bank], 'deg'),
          'least_bank_deg' => number(ring.map do |p|
            p[:bank]
          end.min, 'deg'), 'groundspeed_kt' => number(steepest[:groundspeed], 'kt'), 'least_groundspeed_kt' => number(slowest[:groundspeed], 'kt'),
          'drift_angle_deg' => number(ring.map { |p| p[:drift].abs }.max, 'deg'), 'level_power_kw' => number(performance.level_power_w(speed_kt) / 1000.0, 'kw'),
          'power_in_turn_kw' => try('kw') { performance.level_power_in_bank_w(speed_kt, [steepest[:bank], 60.0].min) / 1000.0 } }
      end

      # A point of the path on a track, level.
      def flown(t_s, along_ft, across_ft, state, phase) = point(t_s, along_ft, @height_ft, speed_kt, state[:groundspeed], 0.0, phase, across_ft: across_ft)

      # Points round part of a circle, tracks relative to the course; right turns have side +1.
      def arc(rows, start, from_deg, through_deg, side, phase)
        t, along, across = start
        steps = (through_deg / 5.0).ceil
        steps.times do
          turned = through_deg / steps.to_f
          state = on_track(@course_deg + from_deg + (side * turned / 2.0))
          length = radius_ft * turned * Q::DEG
          middle = (from_deg + (side * turned / 2.0)) * Q::DEG
          along += length * Math.cos(middle)
          across += length * Math.sin(middle)
          t += length * Q::FT / (state[:groundspeed] * Q::KT)
          from_deg += side * turned
          rows << flown(t, along, across, state, phase)
        end
        [t, along, across]
      end

      def straight(rows, start, track_deg, length_ft, phase)
        t, along, across = start
        state = on_track(@course_deg + track_deg)
        6.times do
          along += length_ft / 6.0 * Math.cos(track_deg * Q::DEG)
          across += length_ft / 6.0 * Math.sin(track_deg * Q::DEG)
          t += length_ft / 6.0 * Q::FT / (state[:groundspeed] * Q::KT)
          rows << flown(t, along, across, state, phase)
        end
        [t, along, across]
      end

      def own_cautions
        bank = value('bank_deg')
        return [] unless bank > STEEPEST_BANK_DEG

        [caution('bank', 'limit',
                 "Constant radius asks for #{bank.round}° of bank downwind, #{STEEPEST_BANK_DEG.round}° at most, #{(bank - STEEPEST_BANK_DEG).ceil}° too much: a radius of " \
                 "#{wider_radius_ft} ft or more.")]
      end

      def wider_radius_ft
        fastest = around.map { |p| p[:groundspeed] }.max * Q::KT
        (fastest * fastest / Q::G / Q::FT).ceil(-1)
      end

      def setup = setup_before(0.0, speed_kt, "Entered downwind, level at #{@height_ft.round} ft and #{speed_kt.round} kt, trimmed", track_deg: entry_track_deg)
      def entry_track_deg = (wind.from_deg + 180.0) % 360.0
    end

    # Turn about a point: bank all the way round, four check points.
    class TurnAboutAPointPlan < GroundReferencePlan
      MANOEUVRE = 'turn_about_a_point'

      private

      def side = @settings['turn_side'] == 'right' ? 1.0 : -1.0
      # Entered downwind, the point abeam.
      def first_track = Quantities.wrap_deg(entry_track_deg - @course_deg)

      def own_numbers = common_numbers.merge('time_round_s' => number(path.last.t_s, 's'))

      def path
        @path ||= begin
          inward = (first_track + (side * 90.0)) * Q::DEG
          rows = []
          arc(rows, [0.0, -radius_ft * Math.cos(inward), -radius_ft * Math.sin(inward)], first_track, 360.0, side, :turn)
          rows
        end
      end

      def tables
        rows = %w[downwind crosswind upwind crosswind].each_with_index.map do |name, i|
          p = on_track(entry_track_deg + (side * 90.0 * i))
          [name, p[:track], p[:heading], p[:drift], p[:groundspeed], p[:bank]]
        end
        [Table.new(id: 'check_points', title: 'Four check points', rows: rows, columns: [['Where', nil], %w[Track deg], %w[Heading deg], %w[Drift deg], %w[Ground kt], %w[Bank deg]],
                   note: 'Steepest downwind, shallowest upwind: the bank follows the ground speed.')]
      end
    end

    # Turns across a line: half circles on alternate sides, the line crossed square and level.
    class TurnsAcrossALinePlan < GroundReferencePlan
      MANOEUVRE = 'turns_across_a_line'

      private

      # The line lies across the wind; the first crossing is downwind.
      def first_track = Quantities.wrap_deg(entry_track_deg - @course_deg)
      def own_numbers = common_numbers.merge('line_deg' => number((wind.from_deg + 90.0) % 360.0, 'deg'))

      def path
        @path ||= begin
          rows = []
          at = arc(rows, [0.0, 0.0, 0.0], first_track, 180.0, -1.0, :turn)
          at = arc(rows, at, first_track - 180.0, 180.0, 1.0, :turn)
          straight(rows, at, first_track, radius_ft / 2.0, :line)
          rows
        end
      end

      def tables
        rows = [['crossing downwind', 0], ['first quarter', -90], ['crossing upwind', -180], ['third quarter', -90]].map do |name, turned|
          p = on_track(entry_track_deg + turned)
          [name, p[:heading], p[:groundspeed], name.start_with?('crossing') ? 0.0 : p[:bank], p[:bank]]
        end
        [Table.new(id: 'check_points', title: 'Round the figure', rows: rows, columns: [['Where', nil], %w[Heading deg], ['Ground', 'kt'], ['Bank wanted', 'deg'],
                                                                                        ['Bank beside it', 'deg']],
                   note: 'Level as the line is crossed, whatever the bank was a moment before.')]
      end
    end

    # Rectangle: drift on each side, the turn at each corner, bank by ground speed.
    class RectanglePlan < GroundReferencePlan
      MANOEUVRE = 'rectangle'

      private

      def side = @settings['turn_side'] == 'right' ? 1.0 : -1.0
      def long_ft = (@settings['leg_ft'] || 3500).to_f
      def short_ft = (@settings['width_ft'] || 2000).to_f
      def first_track = Quantities.wrap_deg(entry_track_deg - @course_deg)

      def sides
        @sides ||= [['downwind', 0, long_ft], ['crosswind', 90, short_ft], ['upwind', 180, long_ft], ['crosswind', 270, short_ft]].map do |name, deg, length|
          [name, first_track + (side * deg), length]
        end
      end

      def own_numbers
        InvalidInput.check_ranges('width_ft' => [short_ft, (2.0 * radius_ft) + 1.0, 20_000])
        common_numbers.merge('leg_ft' => number(long_ft, 'ft'), 'width_ft' => number(short_ft, 'ft'), 'most_turn_deg' => number(corners.max, 'deg'),
                             'least_turn_deg' => number(corners.min, 'deg'))
      end

      # A quarter of the default's radius fits the corners of a small field.
      def default_radius_ft = [super, short_ft / 2.5].min.clamp(150, 3000)

      # Heading change at the end of each side.
      def corners
        @corners ||= sides.each_index.map do |i|
          from = on_track(@course_deg + sides[i][1])
          to = on_track(@course_deg + sides[(i + 1) % 4][1])
          (90.0 + (side * (to[:drift] - from[:drift])))
        end
      end

      def path
        @path ||= begin
          rows = []
          at = [0.0, 0.0, 0.0]
          sides.each do |name, track, length|
            at = straight(rows, at, track, length - (2.0 * radius_ft), name.to_sym)
            at = arc(rows, at, track, 90.0, side, :turn)
          end
          rows
        end
      end

      def tables
        rows = sides.each_with_index.map do |(name, track, length), i|
          p = on_track(@course_deg + track)
          [name, p[:heading], p[:drift], p[:groundspeed], length * Q::FT / (p[:groundspeed] * Q::KT), corners[i], on_track(@course_deg + track + (side * 45.0))[:bank]]
        end
        [Table.new(id: 'legs', title: 'Sides and corners', rows: rows, columns: [['Side', nil], %w[Heading deg], %w[Drift deg], ['Ground', 'kt'], %w[Time s], ['Turn at its end',
                                                                                                                                                               'deg'],
                                                                                 ['Bank in it', 'deg']],
                   note: 'Turning downwind takes more than ninety degrees, turning upwind less.')]
      end
    end
  end
end
