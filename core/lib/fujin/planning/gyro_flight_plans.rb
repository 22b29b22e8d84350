# frozen_string_literal: true

module Fujin
  module Planning
    # What the gyroplane's flight exercises share.
    class GyroPlan < ManoeuvrePlan
      private

      def gyro = @gyro ||= @conditions.gyro_trim
      def glide_kt = @type.glide_speed_kt.to_f
      def slow_headings = []
      def solo_dual = SoloDual.table(@conditions, glide_kt)

      def glide_numbers
        off = gyro.power_off(glide_kt)
        slow_kt, slow_sink = gyro.minimum_sink
        best_kt, best = gyro.best_glide(headwind_kt: headwind_kt)
        { 'glide_speed_kt' => number(glide_kt, 'kt'), 'glide_sink_fpm' => number(off.sink_m_s / Q::FPM, 'fpm'), 'glide_ratio' => number(true_kt(glide_kt) * Q::KT / off.sink_m_s,
                                                                                                                                        'index'),
          'glide_rotor_rpm_pct' => number(off.rotor_pct, 'pct'), 'min_sink_fpm' => number(slow_sink / Q::FPM, 'fpm'), 'min_sink_speed_kt' => number(slow_kt, 'kt'),
          'best_glide_speed_kt' => number(best_kt, 'kt'), 'best_ground_glide_ratio' => number(best, 'index'), 'best_glide_ratio' => number(gyro.best_glide.last, 'index'),
          'lowest_level_speed_kt' => try('kt') { gyro.lowest_level_speed_kt }, 'groundspeed_kt' => number(groundspeed_kt(@course_deg, glide_kt), 'kt'),
          'drift_angle_deg' => drift_number }
      end

      def drift_number
        drift = drift_deg(@course_deg, glide_kt)
        drift ? number(drift, 'deg') : no_number('deg', 'the wind is stronger than the glide speed')
      end

      def curve(speeds)
        speeds.map do |kt|
          [kt.to_f, cell { gyro.level(kt).engine_power_w / 1000.0 }, cell { gyro.level(kt).rotor_pct }, cell { gyro.power_off(kt).sink_m_s / Q::FPM }, cell do
            -gyro.full_power(kt).sink_m_s / Q::FPM
          end]
        end
      end

      def speed_table(speeds)
        Table.new(id: 'speeds', title: 'At each airspeed', columns: [%w[Airspeed kt], ['Level power', 'kw'], ['Rotor rpm', 'pct'], ['Sink, power off', 'fpm'], ['Climb, full power',
                                                                                                                                                                'fpm']],
                  rows: curve(speeds),
                  note: 'Where level power passes what is there, only height buys speed back.')
      end

      def cell
        yield
      rescue OutsideModel
        nil
      end
    end

    # Landing: a ladder from power to none.
    class GyroLandingPlan < GyroPlan
      MANOEUVRE = 'gyro_landing'
      # Power kept on down the ladder, percent of what is there.
      LADDER_PCT = [45, 30, 15, 0].freeze
      BRAKE = 0.35
      ROLLING = Flight::GyroTakeOff::ROLLING_FRICTION
      TOUCHDOWN_KT = 28.0

      private

      def default_height_ft = 500.0
      def height_range_ft = [100, 3000]
      def ending = 'touchdown'
      def ladder_pct = @house['gyro_landings'] == 'power_off_early' ? LADDER_PCT.reverse : LADDER_PCT
      def power_pct = (@settings['power_share_pct'] || (@stage == 'early' ? ladder_pct.first : 0)).to_f
      def with_power(pct) = gyro.with_thrust(glide_kt, pct / 100.0 * gyro.full_thrust_n(glide_kt))
      def descent = @descent ||= with_power(power_pct)
      def round_out_ft = @type.flare_height_ft.to_f
      def ground_m_s = groundspeed_kt(@course_deg, glide_kt) * Q::KT

      # What is left over the ground at touchdown, kt.
      def touchdown_groundspeed_kt = [groundspeed_kt(@course_deg, TOUCHDOWN_KT), 0.0].max

      # The flare takes the glide's speed off evenly, level, at about a fifth of g.
      def flare_ft
        from = ground_m_s
        to = touchdown_groundspeed_kt * Q::KT
        (from - to) / 1.9 * (from + to) / 2.0 / Q::FT
      end

      def own_numbers
        raise OutsideModel, "#{(ground_m_s / Q::KT).round} kt of ground speed are left against this wind: no landing is planned" if ground_m_s < 3.0

        sinking = descent.sink_m_s
        raise OutsideModel, "with #{power_pct.round} % power it does not descend at #{glide_kt.round} kt: less power" unless sinking > 0.3

        down = (@height_ft - round_out_ft) * Q::FT / sinking * ground_m_s / Q::FT
        glide_numbers.merge(
          'entry_height_ft' => number(@height_ft, 'ft'), 'entry_distance_ft' => number(down + flare_ft, 'ft'), 'power_share_pct' => number(power_pct, 'pct'),
          'descent_sink_fpm' => number(sinking / Q::FPM, 'fpm'), 'approach_angle_deg' => number(Math.atan2(sinking, ground_m_s) / Q::DEG, 'deg'),
          'flare_height_ft' => number(round_out_ft, 'ft'),
          'touchdown_ias_kt' => number(TOUCHDOWN_KT, 'kt'), 'touchdown_groundspeed_kt' => number(touchdown_groundspeed_kt, 'kt'),
          'slide_ft' => number(roll_ft(BRAKE), 'ft'), 'free_roll_ft' => number(roll_ft(ROLLING), 'ft'),
          'go_around_climb_fpm' => try('fpm') { -gyro.full_power(glide_kt).sink_m_s / Q::FPM }
        )
      end

      def roll_ft(friction) = ((touchdown_groundspeed_kt * Q::KT)**2) / (2.0 * (friction + ROLLING) * Q::G) / Q::FT

      def path
        @path ||= begin
          sink = descent.sink_m_s
          time = (@height_ft - round_out_ft) * Q::FT / sink
          total = (time * ground_m_s / Q::FT) + flare_ft
          glide = (0..20).map do |i|
            point(time * i / 20, (time * i / 20 * ground_m_s / Q::FT) - total, @height_ft - ((@height_ft - round_out_ft) * i / 20.0), glide_kt, ground_m_s / Q::KT, sink / Q::FPM,
                  :glide,
                  rotor_rpm_pct: descent.rotor_pct)
          end
          glide + round_out(glide.last)
        end
      end

      def round_out(from)
        seconds = 2.0 * flare_ft * Q::FT / ((ground_m_s / Q::KT) + touchdown_groundspeed_kt) / Q::KT
        (1..8).map do |i|
          share = i / 8.0
          kt = glide_kt + ((TOUCHDOWN_KT - glide_kt) * share)
          ground = (ground_m_s / Q::KT) + ((touchdown_groundspeed_kt - (ground_m_s / Q::KT)) * share)
          gone = ((ground_m_s / Q::KT) + ground) / 2.0 * Q::KT * seconds * share / Q::FT
          point(from.t_s + (seconds * share), from.along_ft + gone, round_out_ft * ((1.0 - share)**2), kt, ground, from.sink_fpm * (1.0 - share), :flare,
                rotor_rpm_pct: from.rotor_rpm_pct)
        end
      end

      def gates
        speed = { target: glide_kt, low: glide_kt - 5, high: glide_kt + 7, unit: 'kt' }
        [Gate.new(id: 'decision', height_ft: 150.0, along_ft: along_at(150.0), text: 'speed, line, runway free: or full power and away', measures: { 'ias_kt' => speed }),
         Gate.new(id: 'round out', height_ft: round_out_ft, along_ft: along_at(round_out_ft), text: 'eyes far ahead, speed off, nosewheel kept up', measures: {})]
      end

      def along_at(height_ft) = path.find { |p| p.height_ft <= height_ft }&.along_ft
      def setup = setup_before(path.first.along_ft, glide_kt, "#{glide_kt.round} kt, #{@height_ft.round} ft, power at #{power_pct.round} %, on the line")

      def tables
        rows = ladder_pct.each_with_index.map do |pct, i|
          sink = cell { with_power(pct).sink_m_s }
          [(i + 1).to_f, pct.to_f, sink && (sink / Q::FPM), sink && (Math.atan2(sink, ground_m_s) / Q::DEG)]
        end
        [Table.new(id: 'ladder', title: 'Landing ladder', columns: [['Step', nil], %w[Power pct], %w[Sink fpm], ['Angle over ground', 'deg']], rows: rows,
                   note: 'Each step counted; a low go-around comes before the first. Rotor brake and stick into wind until it has stopped.'),
         speed_table([20, 30, 40, 50, 60]), solo_dual]
      end

      def own_cautions
        [caution('behind_curve', 'caution', "Under #{value('lowest_level_speed_kt')&.round || '—'} kt full power does not hold level flight: speed comes back only with height."),
         caution('roll_out', 'note', 'Stick back and into wind as it rolls out; prerotate again before the next take-off after a full stop.')]
      end
    end

    # Slow flight, level.
    class GyroSlowFlightPlan < GyroPlan
      MANOEUVRE = 'gyro_slow_flight'

      private

      def default_height_ft = 1000.0
      def slow_kt = [lowest + 4.0, glide_kt].min
      def lowest = @lowest ||= gyro.lowest_level_speed_kt

      def own_numbers
        point = gyro.level(slow_kt)
        glide_numbers.merge('entry_height_ft' => number(@height_ft, 'ft'), 'slow_speed_kt' => number(slow_kt, 'kt'), 'slow_power_kw' => number(point.engine_power_w / 1000.0, 'kw'),
                            'slow_rotor_rpm_pct' => number(point.rotor_pct, 'pct'), 'slow_pitch_deg' => number((point.disc_pitch_rad / Q::DEG) - 8.0, 'deg'))
      end

      def path
        [[0.0, glide_kt], [8.0, glide_kt], [20.0, slow_kt], [40.0, slow_kt], [50.0, glide_kt]].map do |t, kt|
          point(t, groundspeed_kt(@course_deg, kt) * Q::KT * t / Q::FT, @height_ft, kt, groundspeed_kt(@course_deg, kt), 0.0, :level, rotor_rpm_pct: gyro.level(kt).rotor_pct)
        end
      end

      def setup = setup_before(0.0, glide_kt, "Level at #{@height_ft.round} ft into wind, area below clear")
      def tables = [speed_table([15, 20, 25, 30, 35, 40, 50, 60]), solo_dual]

      def charts
        rows = (15..70).step(5).filter_map { |kt| cell { [kt.to_f, gyro.level(kt).engine_power_w / 1000.0] } }
        [Chart.new(id: 'power', title: 'Power for level flight', x: Axis.new(label: 'Airspeed', unit: 'kt', low: 0.0, high: 75.0), y: Axis.new(label: 'Power', unit: 'kw', low: 0.0,
                                                                                                                                               high: 130.0),
                   areas: [], lines: [Shape.new(id: 'available', label: 'there is', kind: 'limit', points: [[0.0, value('power_available_kw')], [75.0,
                                                                                                                                                 value('power_available_kw')]])],
                   track: rows)]
      end

      def own_cautions
        [caution('behind_curve', 'caution',
                 "Under #{lowest.round} kt full power does not hold level flight: nose down for speed, never more stick back. Keep #{(lowest + 4).round} kt and height in hand.")]
      end
    end

    # Vertical descent and recovery.
    class GyroVerticalDescentPlan < GyroPlan
      MANOEUVRE = 'gyro_vertical_descent'
      TO_KT = 45.0
      NOSE_DOWN_DEG = -12.0
      MINIMUM_FT = 500.0

      private

      def default_height_ft = 2000.0
      def recovery = @recovery ||= Flight::SpeedRecovery.new(@conditions, to_kt: TO_KT, disc_pitch_deg: NOSE_DOWN_DEG).run
      def lowest_start_ft = MINIMUM_FT + (recovery.steady_height_lost_m / Q::FT) + 200.0

      def own_numbers
        vertical = gyro.power_off(0.0)
        { 'entry_height_ft' => number(@height_ft, 'ft'), 'descent_sink_fpm' => number(vertical.sink_m_s / Q::FPM, 'fpm'), 'descent_rotor_rpm_pct' => number(vertical.rotor_pct, 'pct'),
          'recovery_height_ft' => number(recovery.height_lost_m / Q::FT, 'ft'), 'recovery_steady_height_ft' => number(recovery.steady_height_lost_m / Q::FT, 'ft'),
          'recovery_time_s' => number(recovery.reached_s, 's'),
          'recovery_speed_kt' => number(TO_KT, 'kt'), 'recovery_sink_max_fpm' => number(recovery.greatest_sink_m_s / Q::FPM, 'fpm'),
          'least_load_factor' => number(recovery.least_load_factor, 'index'),
          'lowest_start_height_ft' => number(lowest_start_ft, 'ft'), 'glide_speed_kt' => number(glide_kt, 'kt') }
      end

      def path
        @path ||= begin
          vertical = gyro.power_off(0.0)
          column = (0..6).map do |t|
            point(t.to_f, -headwind_kt * Q::KT * t / Q::FT, @height_ft - (vertical.sink_m_s * t / Q::FT), 0.0, -headwind_kt, vertical.sink_m_s / Q::FPM,
                  :descent, rotor_rpm_pct: vertical.rotor_pct)
          end
          last = column.last
          column + recovery.rows.each_slice(15).map(&:first).drop(1).map do |t, ahead, height, kt, sink, rotor, _|
            point(last.t_s + t, last.along_ft + ((ahead - (headwind_kt * Q::KT * t)) / Q::FT), last.height_ft + (height / Q::FT), kt, kt - headwind_kt, sink / Q::FPM, :recovery,
                  rotor_rpm_pct: rotor)
          end
        end
      end

      def gates = [Gate.new(id: 'recover', height_ft: MINIMUM_FT + (recovery.steady_height_lost_m / Q::FT), along_ft: nil, measures: {}, text: 'nose down by here')]
      def setup = setup_before(0.0, glide_kt, "Into wind above #{@height_ft.round} ft, throttle closed, speed off slowly until the descent is vertical")
      def tables = [speed_table([0, 10, 20, 30, 40, 50]), solo_dual]

      def own_cautions
        found = [caution('recover', 'caution', 'Recovery is nose down for speed, then power: the stick is not pulled while the speed is low.')]
        return found if @height_ft >= lowest_start_ft

        [
          caution('start_height', 'limit',
                  "Start height #{@height_ft.round} ft is under the #{lowest_start_ft.ceil(-1)} ft wanted today, by #{(lowest_start_ft - @height_ft).ceil} ft: begin higher."), *found
        ]
      end
    end

    # Balked landing: power from low down.
    class GyroBalkedLandingPlan < GyroPlan
      MANOEUVRE = 'gyro_balked_landing'

      private

      def default_height_ft = 50.0
      def height_range_ft = [10, 200]
      def climb_kt = @type.fetch('speeds_kt.climb').to_f

      # Height lost until the engine gives full thrust and the sink has turned, at the glide speed.
      def sink_through_m
        sink = gyro.power_off(glide_kt).sink_m_s
        climb = -gyro.full_power(glide_kt).sink_m_s
        delay = @house['gate_throttle_s'] + @type.fetch('engine.lag_s')
        change = 1.5
        (sink * delay) + (climb.positive? ? (sink * change * sink / (sink + climb) / 2.0) : sink * change)
      end

      def own_numbers
        climb = try('fpm') { -gyro.full_power(climb_kt).sink_m_s / Q::FPM }
        glide_numbers.merge('entry_height_ft' => number(@height_ft, 'ft'), 'recovery_height_ft' => number(sink_through_m / Q::FT, 'ft'), 'climb_fpm' => climb,
                            'climb_speed_kt' => number(climb_kt, 'kt'),
                            'climb_angle_deg' => if climb.value
                                                   number(Math.atan2(climb.value * Q::FPM, groundspeed_kt(@course_deg, climb_kt) * Q::KT) / Q::DEG,
                                                          'deg')
                                                 else
                                                   no_number('deg', climb.reason)
                                                 end)
      end

      def path
        sink = gyro.power_off(glide_kt).sink_m_s
        climb = [-gyro.full_power(climb_kt).sink_m_s, 0.0].max
        ground = groundspeed_kt(@course_deg, glide_kt)
        low = [@height_ft - (sink_through_m / Q::FT), 1.0].max
        down = (0..4).map { |i| point(i.to_f - 4.0, (i - 4.0) * ground * Q::KT / Q::FT, @height_ft + ((4 - i) * sink / Q::FT), glide_kt, ground, sink / Q::FPM, :descent) }
        up = (1..12).map { |t| point(t + 2.0, (t + 2.0) * ground * Q::KT / Q::FT, low + (climb * t / Q::FT), climb_kt, ground, -climb / Q::FPM, :climb) }
        [*down, point(2.0, 2.0 * ground * Q::KT / Q::FT, low, glide_kt, ground, 0.0, :recovery), *up]
      end

      def setup = setup_before(path.first.along_ft, glide_kt, "A landing from #{glide_kt.round} kt, balked on the call")
      def tables = [speed_table([25, 30, 40, 50, 60]), solo_dual]

      def own_cautions
        lost = value('recovery_height_ft')
        found = [caution('balked', 'caution', 'Power first, nose held, speed kept; the torque wants pedal as it comes on. No climb before the speed is there.')]
        return found if lost < @height_ft - 5

        [
          caution('too_low', 'limit',
                  "From #{@height_ft.round} ft the go-around touches: #{lost.round} ft are lost before it climbs, #{(lost - @height_ft + 5).ceil} ft too few. Call it higher."), *found
        ]
      end
    end
  end
end
