# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # Plans a powered approach down a line to a hover or the surface: speed and sink at each height, the sink
      # allowed, the distance from vortex ring state, the power, the decision point. The profile is steady flight at
      # each point; the power for slowing down is left out.
      class Plan < Planning::ManoeuvrePlan
        include LineCautions

        # Heights at which the profile is drawn, as shares of the start.
        STEPS = 60
        # Apparent closing ends in a hover here, ft.
        LEAST_GROUNDSPEED_KT = 3.0
        # What a pilot flies down: the line, where and how fast it begins, ground speed and height with so many feet
        # still to go.
        Profile =
          Value.define(:angle_deg, :start_height_ft, :end_height_ft, :start_ias_kt, :ground_kt, :line_ft, :ending)

        # @return [Profile]
        def profile
          Profile.new(
            angle_deg: angle_deg,
            start_height_ft: @height_ft,
            end_height_ft: end_height_ft,
            start_ias_kt: start_ias_kt,
            ground_kt: method(:groundspeed_at_kt),
            line_ft: method(:line_ft),
            ending: ending
          )
        end

        private

        def default_height_ft = 500.0
        def height_range_ft = [60, 3000]
        def start_ias_kt = @type.glide_speed_kt.to_f
        def end_height_ft = @house['hover_height_ft'].to_f
        # Height of the line with so many feet still to go.
        def line_ft(to_go_ft) = end_height_ft + (to_go_ft * Math.tan(angle_deg * Q::DEG))
        def distance_ft(height_ft) = (height_ft - end_height_ft) / Math.tan(angle_deg * Q::DEG)
        def start_groundspeed_kt = @start_groundspeed_kt ||= groundspeed_kt(@course_deg, start_ias_kt)

        # Ground speed at a distance still to go, kt.
        def groundspeed_at_kt(to_go_ft)
          share = (to_go_ft / distance_ft(@height_ft)).clamp(0.0, 1.0)
          [start_groundspeed_kt * @house.approach_speed_share(share), LEAST_GROUNDSPEED_KT].max
        end

        def path
          @path ||=
            begin
              total = distance_ft(@height_ft)
              t = 0.0
              last = nil
              (0..STEPS).map do |i|
                # Closer together near the end, where everything happens.
                to_go = total * ((1.0 - (i / STEPS.to_f))**1.5)
                ground = groundspeed_at_kt(to_go)
                t += (last[0] - to_go) * Q::FT / ((last[1] + ground) / 2.0 * Q::KT) if last
                last = [to_go, ground]
                sink = ground * Q::KT * slope(to_go) / Q::FPM
                height = line_ft(to_go)
                point(
                  t,
                  -to_go,
                  height,
                  ias_for_groundspeed(ground),
                  ground,
                  i == STEPS ? 0.0 : sink,
                  to_go < 60.0 ? :termination : :descent
                )
              end
            end
        end

        # Height lost for each foot forward, so far from the end.
        def slope(_to_go_ft) = Math.tan(angle_deg * Q::DEG)

        def own_numbers
          worst = path.min_by { |p| @house.sink_allowed_fpm(p.ias_kt) - p.sink_fpm }
          entry = path.first
          {
            'entry_height_ft' => number(@height_ft, 'ft'),
            'entry_distance_ft' => number(-entry.along_ft, 'ft'),
            'approach_angle_deg' => number(angle_deg, 'deg'),
            'air_angle_deg' => number(Math.atan2(entry.sink_fpm * Q::FPM, true_kt(entry.ias_kt) * Q::KT) / Q::DEG,
                                      'deg'),
            'entry_speed_kt' => number(entry.ias_kt, 'kt'),
            'groundspeed_kt' => number(entry.groundspeed_kt, 'kt'),
            'entry_sink_fpm' => number(entry.sink_fpm, 'fpm'),
            'groundspeed_at_50_ft_kt' => number(at_height(50.0).groundspeed_kt, 'kt'),
            'sink_at_50_ft_fpm' => number(at_height(50.0).sink_fpm, 'fpm'),
            'sink_margin_fpm' => number(@house.sink_allowed_fpm(worst.ias_kt) - worst.sink_fpm, 'fpm'),
            'least_margin_at_kt' => number(worst.ias_kt, 'kt'),
            'drift_angle_deg' => drift_number(start_ias_kt)
          }.merge(vortex_ring, power_numbers, decision_numbers)
        end

        def drift_number(kt)
          drift = drift_deg(@course_deg, kt)
          drift ? number(drift, 'deg') : no_number('deg', 'the wind is stronger than the airspeed')
        end

        def at_height(height_ft) = path.min_by { |p| (p.height_ft - height_ft).abs }

        # Where the region begins, at its earliest (no airspeed), and how far the approach stays from it.
        def vortex_ring
          margins =
            path.filter_map do |p|
              (ring = trim.vortex_ring_sinks_m_s(p.ias_kt)) && [(ring[0] / Q::FPM) - p.sink_fpm, p.ias_kt]
            end
          margin = margins.min_by(&:first)
          {
            'vortex_ring_sink_fpm' => number(trim.vortex_ring_sinks_m_s(0.0)[0] / Q::FPM, 'fpm'),
            'vortex_ring_below_kt' => number(Planning::LimitsMap.edge_speed_kt(trim), 'kt'),
            'vortex_ring_margin_fpm' =>
              (
                if margin
                  number(margin[0], 'fpm')
                else
                  no_number('fpm', 'the approach stays faster than the vortex-ring region')
                end
              ),
            'vortex_ring_index_max' => number(path.map { |p| ring_index(p) }.max, 'index')
          }
        end

        # 0 outside the region, rising to 1 at its heart, with thrust equal to weight.
        def ring_index(point)
          hover = trim.rotor.hover_induced_velocity(@conditions.mass_kg * Q::G)
          trim.rotor.ring_strength(
            -point.sink_fpm * Q::FPM / hover,
            @conditions.atmosphere.true_speed(point.ias_kt * Q::KT) / hover
          )
        end

        def power_at_kw(point) =
          trim.at(
            point.ias_kt,
            point.sink_fpm * Q::FPM,
            height_m: point.height_ft < 40 ? point.height_ft * Q::FT : nil
          ).engine_power_w / 1000.0

        def power_numbers
          lowest = path.map { |p| [power_at_kw(p), p] }.min_by(&:first)
          last = try('kw') { trim.hover_power_w(height_m: end_height_ft * Q::FT) / 1000.0 }
          {
            # Under nothing is the rotor's own: the glide has begun.
            'least_power_kw' => number([lowest[0], 0.0].max, 'kw'),
            'final_power_kw' => last,
            'final_pull_kw' => last.value ? number(last.value - lowest[0], 'kw') : no_number('kw', last.reason),
            'lowest_level_speed_kt' => lowest_level_speed(trim.power_available_w, nil)
          }
        rescue OutsideModel => e
          { 'least_power_kw' => no_number('kw', e.message) }
        end

        # 0 where the power also hovers.
        def lowest_level_speed(power_w, height_m)
          try('kt') do
            next 0.0 if hovers_with?(power_w, height_m)

            trim.lowest_level_speed_kt(power_w, height_m: height_m)
          end
        end

        def hovers_with?(power_w, height_m)
          trim.hover_power_w(height_m: height_m) <= power_w
        rescue OutsideModel
          false
        end

        # The decision comes before the speed is lost: where the airspeed falls to the house's decision speed, and never
        # under the lowest gate, however much of the speed the wind keeps.
        def decision_point =
          @decision_point ||= path.find do |p|
            p.ias_kt <= @house['decision_speed_kt'] || p.height_ft <= @house['gate_minimum_ft']
          end

        def decision_numbers
          {
            'decision_height_ft' => number(decision_point.height_ft, 'ft'),
            'decision_distance_ft' => number(-decision_point.along_ft, 'ft'),
            'decision_speed_kt' => number(decision_point.ias_kt, 'kt'),
            'avoid_area_s' => number(Planning::HeightVelocity.new(@type).exposure_s(path), 's')
          }
        end

        def gates
          d = decision_point
          allowed = @house.sink_allowed_fpm(d.ias_kt)
          [
            Planning::Gate.new(
              id: 'decision',
              height_ft: d.height_ft,
              along_ft: d.along_ft,
              text: 'continue or go around, said aloud; around is power, level attitude, speed first',
              measures: {
                'ias_kt' => within(d.ias_kt, 6, 'kt'),
                'sink_fpm' => {
                  target: [d.sink_fpm, allowed].min,
                  low: 0.0,
                  high: allowed,
                  unit: 'fpm'
                }
              }
            )
          ]
        end

        def within(target, width, unit) = { target: target, low: target - width, high: target + width, unit: unit }

        def setup
          setup_before(
            path.first.along_ft,
            start_ias_kt,
            Text.of('%{start_ias_kt} kt at %{height_ft} ft, level on the line until the angle is met; spot chosen ' \
              'before that',
                    start_ias_kt: start_ias_kt.round, height_ft: @height_ft.round)
          )
        end

        def tables
          rows =
            [500, 400, 300, 200, 150, 100, 50, 25].grep(end_height_ft..@height_ft)
              .map do |ft|
                p = at_height(ft)
                [
                  p.height_ft,
                  -p.along_ft,
                  p.groundspeed_kt,
                  p.ias_kt,
                  p.sink_fpm,
                  @house.sink_allowed_fpm(p.ias_kt),
                  cell { power_at_kw(p) }
                ]
              end
          [
            Planning::Table.new(
              id: 'profile',
              title: 'Down the line',
              rows: rows,
              note: 'Indicated airspeed cannot be trusted under about 30 kt: use ground speed and the sink.',
              columns: [
                %w[Height ft],
                ['To go', 'ft'],
                %w[Ground kt],
                %w[Airspeed kt],
                %w[Sink fpm],
                %w[Allowed fpm],
                %w[Power kw]
              ]
            )
          ]
        end

        def charts
          [
            Planning::LimitsMap.sink(@conditions, allowed: ->(kt) { @house.sink_allowed_fpm(kt) }, path: path),
            Planning::LimitsMap.height_velocity(@type, path: path)
          ]
        end
      end
    end
  end
end
