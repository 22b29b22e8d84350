# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Plans a gyroplane's prerotation and take-off roll: rotor rpm against airspeed with the flap region and the
      # traps.
      class TakeOffPlan < Planning::ManoeuvrePlan
        include TakeOffCautions

        def self.declaration = GyroTakeOff

        # Rotor rpm lost rolling from the hold to the line, points.
        HOLD_LOSS_PCT = 8.0
        CLIMB_FT = 50.0
        # A student's climb begins so much before the climb speed, or after it, 5 to 95 %. Chosen.
        EARLY_KT = 2.0
        LATE_KT = 5.0
        # Moments of the climb-out between two points of the path.
        SHOWN_EVERY = 5
        # Of the limit of flapping, from where on it is said. Chosen.
        NEAR_FLAP = 0.6

        private

        def default_height_ft = 0.0
        def height_range_ft = [0, 0.5]
        def minimum_pct = @type.fetch('prerotation.minimum_pct').to_f
        def built_up_pct = (@settings['prerotation_pct'] || minimum_pct).to_f
        def released_pct = @house['prerotation_at'] == 'hold' ? [built_up_pct - HOLD_LOSS_PCT, 5.0].max : built_up_pct
        def climb_kt = @type.fetch('speeds_kt.climb').to_f

        def roll_from(pct) =
          TakeOffRoll.new(@conditions, prerotated_pct: pct, headwind_m_s: headwind_kt * Q::KT).run

        def roll = @roll ||= roll_from(released_pct)

        def own_numbers
          {
            'prerotation_pct' => number(built_up_pct, 'pct'),
            'prerotation_minimum_pct' => number(minimum_pct, 'pct'),
            'release_rotor_rpm_pct' => number(released_pct, 'pct'),
            'roll_advance_ratio_max' => number(roll.max(:advance_ratio), 'index'),
            'flap_max_deg' => number(roll.max(:flap_deg), 'deg'),
            'flap_limit_deg' => number(@type.fetch('flap_limit_deg').to_f, 'deg'),
            'roll_rotor_rpm_min_pct' => number(roll.moments.map(&:rotor_pct).min, 'pct'),
            'climb_speed_kt' => number(climb_kt, 'kt'),
            'climb_fpm' => try('fpm') { performance.climb_m_s(climb_kt) / Q::FPM }
          }.merge(lift_off, over_the_fence)
        end

        def lift_off
          if roll.lifted_off?
            {
              'roll_ft' => number(roll.last.distance_m / Q::FT, 'ft'),
              'lift_off_ias_kt' => number(roll.last.ias_kt, 'kt'),
              'lift_off_rotor_rpm_pct' => number(roll.last.rotor_pct, 'pct'),
              'roll_time_s' => number(roll.last.t_s, 's')
            }
          else
            {
              'roll_ft' => no_number('ft', roll.abandoned),
              'lift_off_ias_kt' => no_number('kt', roll.abandoned),
              'lift_off_rotor_rpm_pct' => no_number('pct', roll.abandoned),
              'roll_time_s' => no_number('s', roll.abandoned)
            }
          end
        end

        # To fifty feet, the speed grown first.
        def over_the_fence
          return { 'obstacle_distance_ft' => no_number('ft', roll.abandoned) } unless roll.lifted_off?

          { 'obstacle_distance_ft' => try('ft') do
            number(
              obstacle_distance_ft(climb_kt),
              'ft',
              obstacle_distance_ft(climb_kt - EARLY_KT),
              obstacle_distance_ft(climb_kt + LATE_KT)
            )
          end }
        end

        def obstacle_distance_ft(speed_kt) =
          (roll.last.distance_m + climb_out(speed_kt).to(CLIMB_FT * Q::FT).last.distance_m) / Q::FT

        def climb_out(speed_kt = climb_kt) =
          ClimbOut.new(
            @conditions,
            climb: ->(kt) { performance.climb_m_s(kt) },
            groundspeed: ->(kt) { groundspeed_kt(@course_deg, kt) * Q::KT },
            lift_off_kt: roll.last.ias_kt,
            climb_kt: speed_kt
          )

        def path
          rows =
            roll.moments.map do |m|
              point(
                m.t_s,
                m.distance_m / Q::FT,
                0.0,
                m.ias_kt,
                m.ground_m_s / Q::KT,
                0.0,
                m.phase,
                rotor_rpm_pct: m.rotor_pct
              )
            end
          return rows unless roll.lifted_off?

          rows + climbing(rows.last)
        rescue OutsideModel
          rows
        end

        def climbing(last)
          climb_out
            .to(CLIMB_FT * 2.0 * Q::FT)
            .each_slice(SHOWN_EVERY)
            .drop(1)
            .map do |moments|
              m = moments.first
              point(
                last.t_s + m.t_s,
                last.along_ft + (m.distance_m / Q::FT),
                m.height_m / Q::FT,
                m.ias_kt,
                m.ground_m_s / Q::KT,
                -m.climb_m_s / Q::FPM,
                :climb,
                rotor_rpm_pct: last.rotor_rpm_pct
              )
            end
        end

        def gates
          return [] unless roll.lifted_off?

          [
            Planning::Gate.new(
              id: 'release',
              height_ft: 0.0,
              along_ft: 0.0,
              text: 'rotor at its number, stick aft, nothing in the way',
              measures: {
                'rotor_rpm_pct' => {
                  target: released_pct,
                  low: [minimum_pct, released_pct].min,
                  high: @type.power_off_band[1].to_f,
                  unit: 'pct'
                }
              }
            ),
            Planning::Gate.new(
              id: 'lift off',
              height_ft: 0.0,
              along_ft: roll.last.distance_m / Q::FT,
              text: 'not before this rotor rpm and speed; not off by half as far again: throttle closed, stop',
              measures: {
                'lift_off_rotor_rpm_pct' => held('lift_off_rotor_rpm_pct', 'pct'),
                'lift_off_ias_kt' => held('lift_off_ias_kt', 'kt')
              }
            )
          ]
        end

        def setup
          where =
            if @house['prerotation_at'] == 'hold'
              Text.of('at the hold: prerotate to %{built_up_pct} %, roll on at once, expect %{released_pct} % at the ' \
                'line',
                      built_up_pct: built_up_pct.round, released_pct: released_pct.round)
            else
              Text.of('on the line: brakes, stick as the type says, prerotate to %{built_up_pct} %',
                      built_up_pct: built_up_pct.round)
            end
          taxi =
            if @house['gyro_taxi'] == 'turning'
              'Taxi with the rotor turning slowly, stick into wind'
            else
              'Taxi with the rotor stopped and secured'
            end
          Planning::SetUp.standing(
            height_ft: 0.0,
            steady_s: 0.0,
            text: Text.of('%{taxi}; %{where}', taxi: taxi, where: where)
          )
        end

        def tables
          rows =
            [70, 60, 50, 40, 30, 25, 20].map do |pct|
              r = roll_from(pct.to_f)
              [
                pct.to_f,
                r.lifted_off? ? r.last.distance_m / Q::FT : nil,
                r.lifted_off? ? r.last.ias_kt : nil,
                r.max(:advance_ratio),
                r.max(:flap_deg),
                r.lifted_off? ? 'lifts off' : r.abandoned
              ]
            end
          [
            Planning::Table.new(
              id: 'prerotation',
              title: 'Rotor rpm at release',
              columns: [%w[Release pct], %w[Roll ft], %w[Lift-off kt], ['Advance ratio', nil], %w[Flap deg], ['', nil]],
              rows: rows,
              note:
                'In this model the roll hardly depends on prerotation: real types gain more. ' \
                'Watch advance ratio and flap: they grow as prerotation falls.'
            ),
            Planning::SoloDual.table(@conditions, @type.glide_speed_kt.to_f)
          ]
        end

        def charts
          slow = roll_from(25.0)
          areas = [FlapRegion.shape(@conditions)]
          [
            Planning::Chart.new(
              id: 'rotor_airspeed',
              title: 'Rotor rpm against airspeed in the roll',
              x: Planning::Axis.new(label: 'Airspeed', unit: 'kt', low: 0.0, high: 60.0),
              y: Planning::Axis.new(label: 'Rotor rpm', unit: 'pct', low: 0.0, high: 110.0),
              areas: areas,
              lines: [
                Planning::Shape.new(
                  id: 'slow_rotor',
                  label: 'trap: slow rotor, fast roll',
                  kind: 'limit',
                  points: slow.moments.map { |m| [m.ias_kt, m.rotor_pct] }
                ),
                Planning::Shape.new(
                  id: 'stick_forward',
                  label: 'trap: stick forward',
                  kind: 'limit',
                  points: stick_forward
                )
              ],
              track: roll.moments.map { |m| [m.ias_kt, m.rotor_pct] },
              moments: Planning::Chart.moments_along(roll.moments.map { |m| [m.ias_kt, m.rotor_pct, m.t_s] })
            )
          ]
        end

        # Where the blades flap most of what they may.
        def watched
          limit = @type.fetch('flap_limit_deg').to_f
          near = Planning::WatchedStretch.runs(roll.moments) { |m| m.flap_deg >= NEAR_FLAP * limit }
          near.map do |from, to|
            told = roll.moments.select { |m| m.t_s.between?(from.t_s, to.t_s) }.max_by(&:flap_deg)
            words = Text.of('flap %{flap_deg} of %{limit}° at %{ias_kt} kt: %{t_s} s',
                            flap_deg: told.flap_deg.round, limit: limit.round, ias_kt: told.ias_kt.round,
                            t_s: (to.t_s - from.t_s).ceil)
            Planning::WatchedStretch.new(id: 'flap', from_s: from.t_s, until_s: to.t_s, words: words)
          end
        end

        # The disc flat: airspeed grows, the rotor does not.
        def stick_forward
          TakeOffRoll
            .new(@conditions, prerotated_pct: released_pct, disc_aft_deg: 2.0)
            .run
            .moments
            .take_while { |m| m.ias_kt < 50.0 }
            .map { |m| [m.ias_kt, m.rotor_pct] }
        end
      end
    end
  end
end
