# frozen_string_literal: true

module Fujin
  module Flight
    # The moving aircraft: a point mass under a rotor with its own speed, inflow, engine and heading
    # (docs/reference/flight-model.md), on which Forces act. Fourth-order Runge-Kutta on position, velocity, rotor speed
    # and inflow; control and engine lags are solved exactly within the step. SI; north, east, up.
    class Model
      include RungeKutta

      # Chosen: halving it moves a contact by less than half a metre (core/test/flight_model_test.rb).
      STEP_S = 0.02
      # Chosen: a hand's quickest movement of the collective, and the boost or linkage behind it.
      COLLECTIVE_LAG_S = 0.06
      COLLECTIVE_RAD_S = 14.0 * Quantities::DEG
      # Chosen: time constant s and greatest rate deg/s with which the disc follows the stick, a teetering rotor's.
      ATTITUDE_LAG = { 'helicopter' => [0.35, 30.0], 'gyroplane' => [0.4, 25.0] }.freeze

      # Chosen: yaw follows the pilot so quickly; full torque without pedal swings the nose by so much, rad/s².
      YAW_LAG_S = 0.5
      YAW_OF_TORQUE = 2.2

      attr_reader :time_s, :position, :velocity, :rotor_speed, :induced, :power_w, :disc_pitch, :bank, :heading,
                  :yaw_rate, :collective, :on_ground, :contact, :type, :trim, :rotor, :engine

      # Still air.
      CALM = ->(_height_m, _time_s) { [0.0, 0.0] }

      # The aircraft of a day, in its air.
      # @param conditions [#type, #mass_kg, #atmosphere], @param wind as for #initialize
      def self.on(conditions, wind: CALM) =
        new(type: conditions.type, mass_kg: conditions.mass_kg, atmosphere: conditions.atmosphere, wind: wind)

      # @param wind [#call] height above ground m, time s -> [north, east] m/s
      def initialize(type:, mass_kg:, atmosphere:, wind:)
        @type = type
        @mass = mass_kg.to_f
        @trim = SteadyTrim.new(type, mass_kg, atmosphere)
        @rotor = @trim.rotor
        @engine = Engine.new(type, atmosphere)
        @wind = wind
        @propeller = Propeller.of(type, atmosphere)
        @forces = Forces.new(type: type, mass_kg: @mass, density: atmosphere.density, rotor: @rotor,
                             propeller: @propeller, wind: wind)
        @rotation = torque_sign(type)
        @attitude_s, @attitude_deg_s = ATTITUDE_LAG.fetch(type.kind)
        @time_s = 0.0
        @account = EnergyAccount.new
        @gear = LandingGear.new(type)
        @running = RunningEngine.new(@engine)
      end

      # A copy flies on by itself from where this one is.
      def initialize_copy(other)
        super
        @account = other.account.dup
        @running = @running.dup
      end

      # Starts in steady flight: level under power, or in autorotation when a sink is given.
      # @param speed_kt [Float] horizontal equivalent airspeed
      # @param course_rad [Float] track over the ground
      # @param rotor_pct [Float] rotor speed, which only an autorotation may choose
      # @param powered [Boolean] the engine drives the rotor: false in an autorotation
      def start(height_m:, speed_kt:, course_rad:, north_m: 0.0, east_m: 0.0, sink_m_s: 0.0, rotor_pct: 100.0,
                powered: !sink_m_s.positive?)
        point, rotor_pct = steady_point(speed_kt, sink_m_s, rotor_pct)
        air = trim.atmosphere.true_speed(speed_kt * Quantities::KT)
        north_wind, east_wind = @wind.call(height_m, 0.0)
        cross = (east_wind * Math.cos(course_rad)) - (north_wind * Math.sin(course_rad))
        crab = air > cross.abs ? -Math.asin(cross / air) : 0.0
        @heading = course_rad + crab
        @position = [north_m, east_m, height_m]
        @velocity = [(air * Math.cos(@heading)) + north_wind, (air * Math.sin(@heading)) + east_wind, -sink_m_s]
        @rotor_speed = rotor.normal_speed * rotor_pct / 100.0
        @induced = point.induced_m_s
        @power_w = @propeller ? @propeller.power_w(@push_n, air) : [point.engine_power_w, 0.0].max
        @running.start(
          @power_w,
          fraction: powered ? 1.0 : engine.idle_fraction,
          collective_share: collective_share(point.collective_rad)
        )
        @disc_pitch = point.disc_pitch_rad
        @bank = @yaw_rate = 0.0
        @collective = point.collective_rad
        @on_ground = false
        @contact = nil
        look
        @account.open(energy_j)
        self
      end

      # Puts a steady start in the ground's effect instead: a hover at this height under power, still over the ground
      # with this much wind on the nose.
      def start_in_hover(height_m:, course_rad: 0.0, wind_kt: 0.0)
        start(height_m: height_m, speed_kt: wind_kt, course_rad: course_rad)
        point = trim.at(wind_kt, 0.0, height_m: height_m)
        @induced = point.induced_m_s
        @power_w = point.engine_power_w
        @collective = point.collective_rad
        @running.start(@power_w, fraction: 1.0, collective_share: collective_share)
        look
        self
      end

      # Thrust, N, rotor shaft power, W, and the air through and along the disc, m/s, at the end of the last step.
      def thrust_n = @now.thrust_n
      def rotor_power_w = @now.rotor_power_w
      def air_climb = @now.air_climb
      def air_edge = @now.air_edge
      def rotor_pct = 100.0 * @rotor_speed / rotor.normal_speed
      def engine_fraction = @running.fraction
      def torque_share = @power_w / @rotor_speed * rotor.normal_speed / engine.limit_w

      def collective_share(angle = @collective) =
        (angle - rotor.collective_min) / (rotor.collective_max - rotor.collective_min)

      def wind_here = @wind.call(@position[2], @time_s)

      # Kinetic (against the air), potential and rotor energy, joule.
      def energy_j
        north, east = wind_here
        speed2 = ((@velocity[0] - north)**2) + ((@velocity[1] - east)**2) + (@velocity[2]**2)
        (0.5 * @mass * speed2) + (@mass * Quantities::G * @position[2]) +
          (0.5 * rotor.inertia * @rotor_speed * @rotor_speed)
      end

      # What the energy account is out by since the start, as a share (EnergyAccount).
      def energy_residual = @account.residual(energy_j)

      # @raise [OutsideModel] when the run's energy does not balance
      def check_energy = @account.check(energy_j)

      # Advances by one step under the given controls.
      def step(controls, dt = STEP_S)
        wind_before = wind_here
        velocity_before = @velocity
        before = [@disc_pitch, @bank, @collective, @power_w, @heading]
        move_controls(controls, dt)
        run_engine(controls, dt)
        turn_heading(controls, dt)
        integrate(held_half_way(before), dt)
        @time_s += dt
        count_wind_work(wind_before, velocity_before)
        meet_ground(dt, velocity_before)
        self
      end

      protected

      attr_reader :account

      private

      # A wind that changes does work on an aircraft's energy against the air.
      def count_wind_work(wind_before, velocity_before)
        north, east = wind_here
        return if north == wind_before[0] && east == wind_before[1]

        air_north = @velocity[0] - north + (velocity_before[0] - wind_before[0])
        air_east = @velocity[1] - east + (velocity_before[1] - wind_before[1])
        @account.lose(
          @mass * ((air_north / 2.0 * (north - wind_before[0])) + (air_east / 2.0 * (east - wind_before[1])))
        )
      end

      # A gyroplane's rotor gives no torque to its fuselage.
      def torque_sign(type)
        return 0.0 unless type.helicopter?

        type.clockwise? ? -1.0 : 1.0
      end

      # The rates of the state as it stands.
      def look
        @now = @forces.rates(held, @position[2], @velocity, @rotor_speed, @induced)
      end

      def held
        @forces.held(@time_s, collective: @collective, power_w: @power_w, heading: @heading, disc_pitch: @disc_pitch,
                              bank: @bank)
      end

      # Steady flight to start from: the trim point and the rotor speed, percent.
      def steady_point(speed_kt, sink_m_s, rotor_pct)
        return [trim.at(speed_kt, sink_m_s, rotor_pct: rotor_pct), rotor_pct] unless @propeller

        gyro = GyroTrim.new(type, @mass, trim.atmosphere)
        found = sink_m_s.positive? ? gyro.power_off(speed_kt) : gyro.level(speed_kt)
        @push_n = found.propeller_n
        [trim.at(speed_kt, found.sink_m_s, rotor_pct: found.rotor_pct, propeller_n: found.propeller_n), found.rotor_pct]
      end

      # What the controls, the engine and the heading are half-way through a step, which keeps the whole second-order
      # accurate.
      # @param before [Array(Float, Float, Float, Float, Float)] disc pitch, bank, collective, power and heading at its
      #   beginning
      def held_half_way(before)
        pitch, bank, collective, power_w, heading = before
        @forces.held(@time_s, collective: (collective + @collective) / 2.0, power_w: (power_w + @power_w) / 2.0,
                              heading: (heading + @heading) / 2.0, disc_pitch: (pitch + @disc_pitch) / 2.0,
                              bank: (bank + @bank) / 2.0)
      end

      def move_controls(controls, dt)
        @disc_pitch = lag(@disc_pitch, controls.disc_pitch, @attitude_s, @attitude_deg_s * Quantities::DEG, dt)
        @bank = lag(@bank, controls.bank, @attitude_s, @attitude_deg_s * Quantities::DEG, dt)
        wanted = controls.collective.clamp(rotor.collective_min, rotor.collective_max)
        @collective = lag(@collective, wanted, COLLECTIVE_LAG_S, COLLECTIVE_RAD_S, dt)
      end

      # First-order lag with a rate limit, exact for a command held through the step.
      def lag(value, wanted, time_constant, rate, dt)
        change = (wanted - value) * Lag.share(dt, time_constant)
        value + change.clamp(-rate * dt, rate * dt)
      end

      def run_engine(controls, dt)
        if @propeller
          @running.push(controls.throttle_open ? controls.power_share || 0.0 : 0.0, dt)
        else
          @running.drive(controls.throttle_open, @rotor_speed / rotor.normal_speed, collective_share, dt)
        end
        @power_w = @running.power_w
      end

      # Heading follows the pilot through a yaw lag; engine torque not balanced by pedal swings the nose.
      def turn_heading(controls, dt)
        torque = @rotation * YAW_OF_TORQUE * (torque_share - controls.pedal)
        @yaw_rate += (((controls.yaw_rate - @yaw_rate) / YAW_LAG_S) + torque) * dt
        @yaw_rate = 0.0 if @on_ground
        @heading += @yaw_rate * dt
      end

      # Fourth-order Runge-Kutta: rates at the beginning, twice in the middle and at the end of the step.
      # @param still [Forces::Held] what stands still within it
      def integrate(still, dt)
        half = dt / 2.0
        height = @position[2]
        first = @forces.rates(still, height, @velocity, @rotor_speed, @induced)
        v2 = moved(@velocity, first.acceleration, half)
        second = @forces.rates(still, height + (half * @velocity[2]), v2, @rotor_speed + (half * first.spin),
                               @induced + (half * first.inflow))
        v3 = moved(@velocity, second.acceleration, half)
        third = @forces.rates(still, height + (half * v2[2]), v3, @rotor_speed + (half * second.spin),
                              @induced + (half * second.inflow))
        v4 = moved(@velocity, third.acceleration, dt)
        @now = @forces.rates(still, height + (dt * v3[2]), v4, @rotor_speed + (dt * third.spin),
                             @induced + (dt * third.inflow))
        @position = taken(@position, @velocity, v2, v3, v4, dt / 6.0)
        take(first, second, third, @now, dt)
      end

      def take(first, second, third, last, dt)
        sixth = dt / 6.0
        @velocity = taken(@velocity, first.acceleration, second.acceleration, third.acceleration, last.acceleration,
                          sixth)
        @spin = weighted(first.spin, second.spin, third.spin, last.spin) / 6.0
        @rotor_speed += dt * @spin
        @induced += sixth * weighted(first.inflow, second.inflow, third.inflow, last.inflow)
        @account.lose(sixth * weighted(first.loss_w, second.loss_w, third.loss_w, last.loss_w))
        @account.supply(sixth * weighted(first.drive_w, second.drive_w, third.drive_w, last.drive_w))
      end

      # The contact at the moment the height passed zero, not at the end of the step; within it the velocity changes
      # evenly.
      def contact_within(dt, velocity_before)
        late = (@position[2] / @velocity[2]).clamp(0.0, dt)
        late = 0.0 if late.nan?
        velocity = @velocity.zip(velocity_before).map { |now, before| now + ((before - now) * late / dt) }
        {
          time_s: @time_s - late,
          sink_m_s: -velocity[2],
          velocity: velocity,
          disc_pitch: @disc_pitch,
          heading: @heading,
          rotor_pct: rotor_pct - (100.0 * @spin * late / rotor.normal_speed),
          position: [@position[0] - (@velocity[0] * late), @position[1] - (@velocity[1] * late), 0.0]
        }
      end

      def meet_ground(dt, velocity_before)
        return @on_ground = false if @position[2].positive?

        @account.close(energy_j)
        @contact ||= contact_within(dt, velocity_before)
        @on_ground = true
        @position = [@position[0], @position[1], 0.0]
        carried = [(@mass * Quantities::G) - (thrust_n * Math.cos(@disc_pitch)), 0.0].max
        @velocity = @gear.slowed(@velocity, carried, @mass, dt)
      end
    end
  end
end
