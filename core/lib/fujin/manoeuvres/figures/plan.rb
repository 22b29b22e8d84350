# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      # Plans a figure over the ground in a wind. For a constant radius R over the ground the bank is
      # tan Φ = v²/(g·R·cos δ), v the ground speed and δ the drift angle there: derived from the wind triangle, since
      # the heading turns at v/R · dψ/dχ and dψ/dχ = v/(V·cos δ).
      class Plan < Planning::ManoeuvrePlan
        STEEPEST_BANK_DEG = 45.0

        private

        def default_height_ft = 800.0
        def height_range_ft = [300, 3000]
        def speed_kt = @type.fetch('speeds_kt.cruise').to_f
        def slow_headings = []
        def radius_ft = (@settings['radius_ft'] || default_radius_ft).to_f

        def default_radius_ft = gentle_radius_ft

        # A radius that asks for about 30° at the greatest ground speed.
        def gentle_radius_ft
          fastest = (true_kt(speed_kt) + wind.speed_kt) * Q::KT
          (fastest * fastest / (Q::G * Math.tan(30.0 * Q::DEG)) / Q::FT).ceil(-1).clamp(150, 3000)
        end

        # Ground speed, drift and bank while tracking round a circle of the radius.
        def on_track(track_deg)
          drift = drift_deg(track_deg, speed_kt)
          unless drift
            raise OutsideModel, Text.of('the wind is stronger than %{speed_kt} kt: no figure can be held',
                                        speed_kt: speed_kt.round)
          end

          ground = groundspeed_kt(track_deg, speed_kt)
          unless ground > 1.0
            raise OutsideModel, Text.of('no ground speed is left against this wind at %{speed_kt} kt',
                                        speed_kt: speed_kt.round)
          end

          v = ground * Q::KT
          bank = Math.atan2(v * v, Q::G * radius_ft * Q::FT * Math.cos(drift * Q::DEG)) / Q::DEG
          {
            track: track_deg % 360.0,
            heading: (track_deg + drift) % 360.0,
            drift: drift,
            groundspeed: ground,
            bank: bank
          }
        end

        def around(step_deg = 5) = (0...360).step(step_deg).map { |deg| on_track(@course_deg + deg) }

        def common_numbers
          ring = around
          steepest = ring.max_by { |p| p[:bank] }
          slowest = ring.min_by { |p| p[:groundspeed] }
          {
            'entry_height_ft' => number(@height_ft, 'ft'),
            'entry_speed_kt' => number(speed_kt, 'kt'),
            'turn_radius_ft' => number(radius_ft, 'ft'),
            'bank_deg' => number(steepest[:bank], 'deg'),
            'least_bank_deg' => number(ring.map { |p| p[:bank] }.min, 'deg'),
            'groundspeed_kt' => number(steepest[:groundspeed], 'kt'),
            'least_groundspeed_kt' => number(slowest[:groundspeed], 'kt'),
            'drift_angle_deg' => number(ring.map { |p| p[:drift].abs }.max, 'deg'),
            'level_power_kw' => number(performance.level_power_w(speed_kt) / 1000.0, 'kw'),
            'power_in_turn_kw' =>
              try('kw') { performance.level_power_in_bank_w(speed_kt, [steepest[:bank], 60.0].min) / 1000.0 }
          }
        end

        # A point of the path on a track, level.
        def flown(t_s, along_ft, across_ft, state, phase) =
          point(t_s, along_ft, @height_ft, speed_kt, state[:groundspeed], 0.0, phase, across_ft: across_ft)

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
          [
            too_much_bank,
            too_little_power,
            caution(
              'landing_place',
              'caution',
              'A landing place into wind stays in reach all the way round. Obstacles and wires looked for first.'
            )
          ].compact
        end

        def too_much_bank
          bank = value('bank_deg')
          return nil unless bank > STEEPEST_BANK_DEG

          caution(
            'bank',
            'limit',
            Text.of('%{bank}° of bank downwind, %{steepest_bank_deg}° at most: a radius of %{wider_radius_ft} ft or ' \
              'more.',
                    bank: bank.round, steepest_bank_deg: STEEPEST_BANK_DEG.round, wider_radius_ft: wider_radius_ft)
          )
        end

        def too_little_power
          needed = value('power_in_turn_kw')
          available = value('power_available_kw')
          return nil unless needed && available && needed > available

          caution(
            'power_in_turn',
            'limit',
            Text.of('The steepest bank needs %{needed} kW, %{available} available: a wider radius or less bank.',
                    needed: needed.round, available: available.round)
          )
        end

        def wider_radius_ft
          fastest = around.map { |p| p[:groundspeed] }.max * Q::KT
          (fastest * fastest / Q::G / Q::FT).ceil(-1)
        end

        def setup =
          setup_before(
            0.0,
            speed_kt,
            Text.of('Entered downwind, level at %{height_ft} ft and %{speed_kt} kt, trimmed',
                    height_ft: @height_ft.round, speed_kt: speed_kt.round),
            track_deg: entry_track_deg
          )

        def entry_track_deg = (wind.from_deg + 180.0) % 360.0
      end
    end
  end
end
