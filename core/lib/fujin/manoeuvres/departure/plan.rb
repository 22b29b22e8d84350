# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Departure
      # Plans a take-off into forward flight: accelerating with a power, through translational lift, to the climb.
      # Energy method: what the power gives beyond level flight goes into speed and height, shared by how the disc is
      # tilted.
      class Plan < Planning::ManoeuvrePlan
        STEP_S = 0.25
        LONGEST_S = 120.0
        # How far the disc is tilted to speed up, and how far to begin with, degrees. Chosen.
        TILT_DEG = 8.0
        LEAN_DEG = 2.5
        # Skids come no lower on the way to translational lift, ft.
        LOWEST_FT = 1.5
        # Under this the energy method divides by next to nothing, m/s.
        SLOWEST_M_S = 1.0

        private

        def default_height_ft = @house['hover_height_ft'].to_f
        def height_range_ft = [0, 20]
        def climb_speed_kt = @type.fetch('speeds_kt.climb').to_f
        def start_height_ft = @settings['departure'] == 'surface' ? 0.5 : @height_ft
        def slow_headings = [['on the departure line', @course_deg]]

        # Power used, watts: never more than there is.
        def power_w = [wanted_power_w, trim.power_available_w].min

        # Height to have at a speed, ft: where the profile goes.
        def profile_ft(_kt) = raise(NotImplementedError)

        # Rows of the take-off as path points, from the hover or the ground to climb speed and 300 ft.
        def path
          @path ||=
            begin
              unless hovers?
                raise OutsideModel,
                      Text.of('the power of this take-off (%{power_w} kW) does not lift off here',
                              power_w: (power_w / 1000).round(1))
              end

              run
            end
        end

        def hovers? = trim.hover_power_w(height_m: [start_height_ft, 2.0].max * Q::FT) <= power_w * 1.001

        def run
          t = along = ground = 0.0
          height = start_height_ft
          rows = [point(t, along, height, dial_kt(headwind_kt), 0.0, 0.0, :take_off)]
          while t < LONGEST_S && (height < 300.0 || rows.last.ias_kt < climb_speed_kt - 0.5)
            acceleration, climb = advance(ground + headwind_kt, height)
            faster = [ground + (acceleration * STEP_S / Q::KT), true_kt(climb_speed_kt) - headwind_kt].min
            t += STEP_S
            along += (ground + faster) / 2.0 * Q::KT * STEP_S / Q::FT
            height += climb * STEP_S / Q::FT
            ground = faster
            speed = dial_kt(ground + headwind_kt)
            phase = speed < climb_speed_kt - 0.5 ? :take_off : :climb
            rows << point(t, along, height, speed, ground, -climb / Q::FPM, phase)
          end
          rows
        end

        # With the air from behind the dial shows nothing.
        def dial_kt(air_kt) = ias_of_true_kt([air_kt, 0.0].max)

        # @param air_kt [Float] true airspeed along the line; negative while a tailwind overtakes the aircraft
        # @return [Array(Float, Float)] acceleration m/s² and climb m/s
        def advance(air_kt, height)
          speed = dial_kt(air_kt)
          spare = spare_power_w(ias_of_true_kt(air_kt.abs), height)
          rising = speed >= climb_speed_kt - 0.1
          acceleration = rising ? 0.0 : acceleration_m_s2(spare, air_kt * Q::KT, speed, height)
          climb = (spare - (@conditions.mass_kg * air_kt * Q::KT * acceleration)) / weight
          # Over the profile some of the power is left unused.
          climb = [climb, climb_rate(profile_ft(speed), height, spare)].min unless rising
          [acceleration, [climb, (LOWEST_FT - height) * Q::FT / STEP_S].max]
        end

        # What the power gives beyond the climb that the profile asks for, no more than the disc is tilted for. Before
        # translational lift there is next to none, and a disc tilted a little takes a foot or two of height.
        def acceleration_m_s2(spare, true_speed, speed, height)
          momentum = @conditions.mass_kg * [true_speed, SLOWEST_M_S].max
          left = (spare - (climb_rate(profile_ft(speed), height, spare) * weight)) / momentum
          least = height > LOWEST_FT + 0.3 && speed < performance.translational_lift_kt ? tilted(LEAN_DEG) : 0.0
          left.clamp(least, tilted(TILT_DEG))
        end

        # Climb that keeps to the profile with the power that is spare, m/s.
        def climb_rate(target_ft, height_ft, spare) =
          ((target_ft - height_ft) * Q::FT / 1.5).clamp(0.0, [spare / weight, 0.0].max)

        def weight = @conditions.mass_kg * Q::G
        def tilted(deg) = Q::G * Math.tan(deg * Q::DEG)

        # Power beyond level flight, as it reaches the rotor.
        def spare_power_w(speed, height)
          needed = trim.level_power_w(speed, height_m: height < 50 ? [height, 2.0].max * Q::FT : nil)
          (power_w - needed) * @type.fetch('engine.efficiency')
        end

        def own_numbers
          at_etl = path.find { |p| p.ias_kt >= performance.translational_lift_kt }
          climbing = path.find { |p| p.ias_kt >= climb_speed_kt - 0.5 }
          obstacle = @settings['obstacle_ft'].to_f
          over = path.find { |p| p.height_ft >= obstacle }
          climb = try('fpm') { performance.climb_m_s(climb_speed_kt, power_w) / Q::FPM }
          {
            'take_off_power_kw' => number(power_w / 1000.0, 'kw'),
            'climb_speed_kt' => number(climb_speed_kt, 'kt'),
            'climb_fpm' => climb,
            'best_climb_fpm' => try('fpm') { performance.climb_m_s(climb_speed_kt) / Q::FPM },
            'etl_distance_ft' =>
              at_etl ? number(at_etl.along_ft, 'ft') : no_number('ft', 'translational lift is not reached'),
            'climb_speed_height_ft' =>
              climbing ? number(climbing.height_ft, 'ft') : no_number('ft', 'climb speed is not reached'),
            'climb_speed_distance_ft' =>
              climbing ? number(climbing.along_ft, 'ft') : no_number('ft', 'climb speed is not reached'),
            'obstacle_distance_ft' =>
              (
                if over
                  number(over.along_ft, 'ft')
                else
                  no_number('ft', Text.of('%{obstacle} ft is not reached within %{longest_s} s',
                                          obstacle: obstacle.round, longest_s: LONGEST_S.round))
                end
              ),
            'avoid_area_s' => number(Planning::HeightVelocity.new(@type).exposure_s(path), 's'),
            'groundspeed_kt' => number(path.last.groundspeed_kt, 'kt'),
            'drift_angle_deg' => number(drift_deg(@course_deg, climb_speed_kt) || 0.0, 'deg')
          }.merge(take_off_instrument)
        end

        def take_off_instrument
          engine = Flight::Engine.new(@type, @conditions.atmosphere)
          {
            "take_off_power_#{engine.instrument_unit}" =>
              number(engine.instrument(power_w, 1.0), engine.instrument_unit)
          }
        end

        def gates
          [
            Planning::Gate.new(
              id: 'lift',
              height_ft: start_height_ft,
              along_ft: 0.0,
              measures: {},
              text:
                if @settings['departure'] == 'surface'
                  'light on the skids, nothing hooked or frozen, then straight up'
                else
                  'power noted, pedals steady, nothing hooked: then forward'
                end
            ),
            stop_gate
          ]
        end

        # Where translational lift must be felt.
        def stop_gate
          Planning::Gate.new(
            id: 'stop',
            height_ft: profile_ft(performance.translational_lift_kt),
            along_ft: value_along('etl_distance_ft'),
            measures: {},
            text: 'translational lift felt by here, or stop while there is room'
          )
        end

        def value_along(name) = own_numbers[name].value

        def setup
          where = if @settings['departure'] == 'surface'
                    'On the surface'
                  else
                    Text.of('Hover at %{height_ft} ft', height_ft: @height_ft.round)
                  end
          check = @house['power_check'] == 'hover' ? 'in the hover' : "in flight at the site's height"
          Planning::SetUp.standing(
            height_ft: start_height_ft,
            steady_s: 5.0,
            text: Text.of('%{where} into wind, power checked %{check}, area ahead clear', where: where, check: check)
          )
        end

        def charts = [Planning::LimitsMap.height_velocity(@type, path: path, timed: true)]

        def own_cautions
          seconds = value('avoid_area_s')
          rollover =
            caution(
              'rollover',
              'caution',
              'Dynamic rollover: a skid held, sideways motion, collective up. The answer is collective down, smoothly.'
            )
          exposure =
            if seconds > 1
              caution(
                'avoid_area',
                'caution',
                Text.of('%{seconds} s inside the height-velocity area: keep to the profile, no lingering.',
                        seconds: seconds.round)
              )
            else
              nil
            end
          [rollover, exposure, climb_caution].compact
        end

        def climb_caution
          climb = value('climb_fpm')
          least = Planning::PowerCautions::LEAST_CLIMB_FPM
          return nil if climb && climb > least

          told = { wanted: least.round }
          text = Text.of('No climb with this power, %{wanted} wanted: less load or more power.', **told)
          if climb
            text = Text.of('Climb %{climb} ft/min with this power, %{wanted} wanted: less load or more power.',
                           climb: climb.round, **told)
          end
          caution('climb', 'limit', text)
        end
      end
    end
  end
end
