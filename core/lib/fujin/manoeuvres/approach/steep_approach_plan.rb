# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # A steep approach: slower from the start, the speed taken off earlier, the decision before it is lost.
      class SteepApproachPlan < Plan
        def self.declaration = SteepApproach

        SLOW_KT = 30.0
        # What is left of it through the air in the strongest tailwind that is planned, and the strongest headwind that
        # is named as a way out, kt.
        LEAST_AIRSPEED_KT = 10.0
        MOST_HEADWIND_KT = 40
        # Flatter by more than this is another approach, degrees.
        HELD_WITHIN_DEG = 1.0

        private

        def default_height_ft = 400.0
        def angle_deg = (@settings['approach_angle_deg'] || @house['steep_angle_deg']).to_f
        def end_height_ft = @house['steep_ending'] == 'surface' ? 0.5 : super
        def ending = @house['steep_ending']
        def start_ias_kt = [0.75 * @type.glide_speed_kt, 45.0].min

        # Down to about 30 kt over the ground on the line, held, then the closing rate to the end.
        # @param share [Float] of the height still to lose
        def wanted_groundspeed_kt(share)
          hold = @house['hold_30_kt'] == 'long' ? 0.75 : 0.55
          slow = [SLOW_KT, start_groundspeed_kt].min
          wanted = if share > hold then slow + ((start_groundspeed_kt - slow) * (share - hold) / (1.0 - hold))
                   elsif share > 0.33 then slow
                   else
                     slow * Math.sqrt(share / 0.33)
                   end
          [wanted, LEAST_GROUNDSPEED_KT].max
        end

        # One step up the line from its end: feet to go, height, ground speed, slope.
        Station = Value.define(:to_go_ft, :height_ft, :groundspeed_kt, :slope)
        STATIONS = 200
        # Of the sink allowed, so much is planned.
        ALLOWED_SHARE = 0.95
        private_constant :Station, :STATIONS, :ALLOWED_SHARE

        # The line from its end up: the house's angle, and flatter wherever that angle's sink is more than the airspeed
        # allows, so that the limit is held instead of the angle.
        def stations
          @stations ||=
            begin
              step = (@height_ft - end_height_ft) / STATIONS
              to_go = 0.0
              (0..STATIONS).map do |i|
                ground = wanted_groundspeed_kt(i / STATIONS.to_f)
                slope = slope_at(ground)
                to_go += step / slope unless i.zero?
                Station.new(to_go_ft: to_go, height_ft: end_height_ft + (i * step), groundspeed_kt: ground,
                            slope: slope)
              end
            end
        end

        def slope_at(ground_kt)
          allowed = ALLOWED_SHARE * @house.sink_allowed_fpm(ias_for_groundspeed(ground_kt)) * Q::FPM
          [Math.tan(angle_deg * Q::DEG), allowed / (ground_kt * Q::KT)].min
        end

        def along_line(to_go_ft, field)
          rows = stations
          to_go = to_go_ft.clamp(0.0, rows.last.to_go_ft)
          over = rows.bsearch_index { |row| row.to_go_ft >= to_go }
          return rows.first.public_send(field) if over.zero?

          a = rows[over - 1]
          b = rows[over]
          share = (to_go - a.to_go_ft) / (b.to_go_ft - a.to_go_ft)
          a.public_send(field) + (share * (b.public_send(field) - a.public_send(field)))
        end

        def groundspeed_at_kt(to_go_ft) = along_line(to_go_ft, :groundspeed_kt)
        def line_ft(to_go_ft) = along_line(to_go_ft, :height_ft)
        def slope(to_go_ft) = along_line(to_go_ft, :slope)

        def distance_ft(height_ft)
          row = stations.find { |station| station.height_ft >= height_ft - 1e-6 } || stations.last
          row.to_go_ft
        end

        # The angle held from the decision to the end, on average.
        def held_angle_deg
          d = decision_point
          Math.atan2(d.height_ft - end_height_ft, -d.along_ft) / Q::DEG
        end

        # The steepest angle that keeps within the sink allowed all the way today.
        def fitting_angle_deg =
          stations.map { |row| Math.atan(allowed_slope(row.groundspeed_kt, headwind_kt)) }.min / Q::DEG

        # The least headwind with which the angle asked for keeps within it, kt; nil if none of a usual strength does.
        def fitting_headwind_kt
          asked = Math.tan(angle_deg * Q::DEG)
          ([headwind_kt.ceil, 0].max..MOST_HEADWIND_KT).find do |kt|
            stations.all? { |row| allowed_slope(row.groundspeed_kt, kt) >= asked - 1e-9 }
          end
        end

        def allowed_slope(ground_kt, headwind)
          ias = ias_of_true_kt([ground_kt + headwind, 0.0].max)
          ALLOWED_SHARE * @house.sink_allowed_fpm(ias) * Q::FPM / (ground_kt * Q::KT)
        end

        def check_airspeed
          return if headwind_kt > LEAST_AIRSPEED_KT - SLOW_KT

          raise OutsideModel,
                Text.of('with %{headwind_kt} kt behind, a steep approach would be flown with next to no airspeed: ' \
                  'turn the line round',
                        headwind_kt: (-headwind_kt).round)
        end

        def own_numbers
          check_airspeed
          super.merge('held_angle_deg' => number(held_angle_deg, 'deg'))
        end

        def own_cautions = [too_steep, held, *super, late_pull].compact

        def late_pull =
          caution(
            'late_pull',
            'caution',
            'All the power at the end at once droops the rotor and swings the nose: bring it in early.'
          )

        def too_steep
          steepest = @house['steepest_angle_deg']
          return nil unless angle_deg > steepest

          caution(
            'too_steep',
            'limit',
            Text.of('%{angle_deg}° is over the house limit of %{steepest}°, by %{over}°: another line or ' \
              'another site.',
                    angle_deg: angle_deg.round(1), steepest: steepest, over: (angle_deg - steepest).round(1))
          )
        end

        # Where angle, wind and the sink allowed do not go together.
        def held
          flatter = angle_deg - value('held_angle_deg')
          return nil unless flatter > HELD_WITHIN_DEG

          wind = fitting_headwind_kt&.then do |kt|
            Text.of(', or %{angle}° with %{wind} kt of headwind', angle: angle_deg.round(1), wind: kt)
          end
          caution(
            'angle_not_held',
            'limit',
            Text.of('The sink allowed does not go with %{angle_deg}° in this wind: held to the limit, the line ' \
              'flattens to %{held_angle_deg}° from the decision on. All the way within it: ' \
              '%{fitting_angle_deg}°%{with_wind}.',
                    angle_deg: angle_deg.round(1), held_angle_deg: value('held_angle_deg').round(1),
                    fitting_angle_deg: fitting_angle_deg.floor(1),
                    with_wind: wind)
          )
        end
      end
    end
  end
end
