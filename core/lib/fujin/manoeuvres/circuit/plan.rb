# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Circuit
      # Plans a circuit: the legs with heading, ground speed and time, the height and size of each turn, the set-up
      # point where the approach angle is met.
      class Plan < Planning::ManoeuvrePlan
        include GroundTrack

        def self.declaration = Circuit

        BANK_DEG = 20.0
        DOWNWIND_FT = 2400.0

        private

        def default_height_ft = @house['circuit_height_ft'].to_f
        def height_range_ft = [400, 2000]
        def side = @settings['turn_side'] == 'right' ? 1.0 : -1.0
        # As the school flies it, of the type's own speeds.
        def climb_kt = @type.fetch('speeds_kt.climb') * @house['circuit_climb_pct'] / 100.0
        def cruise_kt = @type.fetch('speeds_kt.cruise') * @house['circuit_downwind_pct'] / 100.0
        def approach_kt = @type.glide_speed_kt * @house['circuit_base_pct'] / 100.0
        # No higher than the circuit itself.
        def turn_height_ft = [@house['circuit_turn_ft'].to_f, @height_ft].min
        def angle_deg = @type.helicopter? ? @house['normal_angle_deg'].to_f : 6.0

        def climb_m_s =
          @climb_m_s ||= performance.climb_m_s(climb_kt, Planning::PowerSettings.climb_power_w(@conditions, @house))

        # Wide enough for half a turn at the downwind speed.
        def width_ft = (@settings['width_ft'] || [DOWNWIND_FT, (2.1 * radius_ft(cruise_kt)).ceil(-2)].max).to_f

        # Legs in order: name, track, airspeed, ground length ft, height at its end ft.
        def legs
          @legs ||=
            begin
              if climb_m_s < 0.5
                raise OutsideModel,
                      Text.of('the climb with this power is %{climb_m_s} ft/min: no circuit today',
                              climb_m_s: (climb_m_s / Q::FPM).round)
              end

              ahead = climb_ft(turn_height_ft)
              # Out of the base turn at half the height, on the angle, which begins in the turn.
              turn = [radius_ft(approach_kt), CORNER_SHARE * width_ft].min
              final = (@height_ft / 2.0 / Math.tan(angle_deg * Q::DEG)) + turn
              base_end = [(@height_ft / 2.0) + (turn * Math.tan(angle_deg * Q::DEG)), @height_ft].min
              crosswind_top = [turn_height_ft + climb_gain_ft(90.0 * side, width_ft), @height_ft].min
              back = ahead + final
              [
                ['upwind', 0.0, climb_kt, ahead, turn_height_ft],
                ['crosswind', 90.0, climb_kt, width_ft, crosswind_top],
                ['downwind', 180.0, cruise_kt, back, @height_ft],
                ['base', 270.0, approach_kt, width_ft, base_end],
                ['final', 0.0, approach_kt, final, 0.0]
              ].map do |name, turned, kt, length, top|
                Leg.new(
                  name: name,
                  track_deg: (@course_deg + (side * turned)) % 360.0,
                  ias_kt: kt,
                  length_ft: length,
                  height_ft: top
                )
              end
            end
        end

        Leg = Value.define(:name, :track_deg, :ias_kt, :length_ft, :height_ft)
        private_constant :Leg

        def leg_groundspeed(leg) = [groundspeed_kt(leg.track_deg, leg.ias_kt), 1.0].max

        # The final slows down from the set-up point on.
        def leg_time(leg)
          return flown_s(leg, leg.length_ft) unless leg == legs.last

          flown_s(leg, leg.length_ft + set_up_point.along_ft) + path.last.t_s - set_up_point.t_s
        end

        def flown_s(leg, feet) = feet * Q::FT / (leg_groundspeed(leg) * Q::KT)
        def leg_heading(leg) = (leg.track_deg + (drift_deg(leg.track_deg, leg.ias_kt) || 0.0)) % 360.0

        def climb_ft(height_ft) =
          [groundspeed_kt(@course_deg, climb_kt), 1.0].max * Q::KT * (height_ft * Q::FT / climb_m_s) / Q::FT

        def climb_gain_ft(turned, length_ft) =
          length_ft * Q::FT / ([groundspeed_kt((@course_deg + turned) % 360, climb_kt), 1.0].max * Q::KT) * climb_m_s /
            Q::FT

        def own_numbers
          final = legs.last
          {
            'entry_height_ft' => number(@height_ft, 'ft'),
            'climb_speed_kt' => number(climb_kt, 'kt'),
            'climb_fpm' => number(climb_m_s / Q::FPM, 'fpm'),
            'turn_start_height_ft' => number(turn_height_ft, 'ft'),
            'turn_radius_ft' => number(radius_ft(cruise_kt), 'ft'),
            'bank_deg' => number(BANK_DEG, 'deg'),
            'downwind_speed_kt' => number(cruise_kt, 'kt'),
            'level_power_kw' => number(performance.level_power_w(cruise_kt) / 1000.0, 'kw'),
            'spacing_ft' => number(width_ft, 'ft'),
            'base_height_ft' => number(legs[2].height_ft, 'ft'),
            'base_speed_kt' => number(approach_kt, 'kt'),
            'set_up_height_ft' => number(set_up_point.height_ft, 'ft'),
            'set_up_distance_ft' => number(-set_up_point.along_ft, 'ft'),
            'approach_angle_deg' => number(angle_deg, 'deg'),
            'approach_sink_fpm' => number(sink_fpm(angle_deg), 'fpm'),
            'groundspeed_kt' => number(leg_groundspeed(final), 'kt'),
            'drift_angle_deg' => number(drift_deg(final.track_deg, approach_kt) || 0.0, 'deg'),
            'circuit_time_s' => number(legs.sum { |leg| leg_time(leg) }, 's')
          }
        end

        # Where the path is out of the base turn: the angle is met from there.
        def set_up_point = path.find { |p| p.phase == :final }

        def radius_ft(kt) = ((true_kt(kt) * Q::KT)**2) / (Q::G * Math.tan(BANK_DEG * Q::DEG)) / Q::FT

        # Heading change at the end of each leg: more or less than ninety degrees with the wind.
        def corner(leg, following) = Quantities.wrap_deg(leg_heading(following) - leg_heading(leg)).abs

        def tables
          rows =
            legs.each_with_index.map do |leg, i|
              following = legs[i + 1]
              [
                leg.name,
                leg_heading(leg),
                leg.ias_kt,
                leg_groundspeed(leg),
                leg.length_ft,
                leg_time(leg),
                leg.height_ft,
                following && corner(leg, following)
              ]
            end
          table =
            Planning::Table.new(
              id: 'legs',
              title: 'Legs',
              rows: rows,
              note: 'Turn is the heading change into the next leg.',
              columns: [
                ['Leg', nil],
                %w[Heading deg],
                %w[Airspeed kt],
                %w[Ground kt],
                %w[Length ft],
                %w[Time s],
                ['Height at end', 'ft'],
                %w[Turn deg]
              ]
            )
          [table, Planning::SoloDual.table(@conditions, approach_kt)]
        end

        def charts
          gone = 0.0
          track =
            path
              .each_cons(2)
              .map { |a, b| [(gone += Math.hypot(b.along_ft - a.along_ft, b.across_ft - a.across_ft)), b.height_ft] }
          [
            Planning::Chart.new(
              id: 'height',
              title: 'Height round the circuit',
              x: Planning::Axis.new(label: 'Distance flown', unit: 'ft', low: 0.0, high: gone.ceil(-3).to_f),
              y: Planning::Axis.new(label: 'Height', unit: 'ft', low: 0.0, high: @height_ft * 1.25),
              areas: [],
              lines: leg_marks,
              track: track
            )
          ]
        end

        # Where each leg begins.
        def leg_marks
          gone = 0.0
          legs.map do |leg|
            from = gone
            gone += leg.length_ft
            Planning::Shape.new(
              id: leg.name,
              label: leg.name,
              kind: 'plan',
              points: [[from, 0.0], [from, @height_ft * 1.1]]
            )
          end
        end

        # Sink along the line of an angle at the set-up point's ground speed.
        def sink_fpm(deg) = leg_groundspeed(legs.last) * Q::KT * Math.tan(deg * Q::DEG) / Q::FPM

        def gates
          allowed = @house.sink_allowed_fpm(approach_kt)
          angle = held('approach_angle_deg', 'deg')
          [
            Planning::Gate.new(
              id: 'set-up',
              height_ft: set_up_point.height_ft,
              along_ft: set_up_point.along_ft,
              text: 'approach angle met, line held, or go around',
              measures: {
                'ias_kt' => held('set_up_ias_kt', 'kt'),
                # The angle's band, no more than is allowed.
                'sink_fpm' => {
                  target: [value('approach_sink_fpm'), allowed].min,
                  low: [sink_fpm(angle[:low]), allowed].min,
                  high: [sink_fpm(angle[:high]), allowed].min,
                  unit: 'fpm'
                }
              }
            )
          ]
        end

        def setup
          leg = legs[2]
          steady_ft = leg_groundspeed(leg) * Q::KT * @house['setup_s'] / Q::FT
          Planning::SetUp.new(
            height_ft: @height_ft,
            speed_kt: cruise_kt,
            steady_s: @house['setup_s'].to_f,
            leg_ft: steady_ft,
            # Downwind comes from ahead of the spot.
            start_along_ft: steady_ft - legs.last.length_ft,
            start_across_ft: side * width_ft,
            text:
              'Downwind level, trimmed and on its track before the base turn; radio and checks done by abeam the spot'
          )
        end
      end
    end
  end
end
