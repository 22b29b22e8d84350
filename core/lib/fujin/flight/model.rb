# frozen_string_literal: true

module Fujin
  module Flight
    # The moving aircraft: a point mass under a rotor with its own speed, inflow, engine and heading
    # (PHYSICS.md section 1). Fourth-order Runge-Kutta on position, velocity, rotor speed and inflow;
    # control and engine lags are solved exactly within the step. SI; north, east, up.
    class Model
      STEP_S = 0.02
      COLLECTIVE_LAG_S = 0.06
      COLLECTIVE_RAD_S = 14.0 * Quantities::DEG
      # Time constant s and greatest rate deg/s with which the disc follows the stick.
      ATTITUDE_LAG = { 'helicopter' => [0.35, 30.0], 'gyroplane' => [0.4, 25.0] }.freeze

      attr_reader :time_s, :position, :velocity, :rotor_speed, :induced, :power_w, :disc_pitch, :bank, :heading,
                  :yaw_rate, :collective, :on_ground, :contact, :type, :trim, :thrust_n, :rotor_power_w, :air_climb,
                  :air_edge, :rotor, :engine

      # @param wind [#call] height above ground m, time s -> [north, east] m/s
      def initialize(type:, mass_kg:, atmosphere:, wind:)
        @type = type
        @mass = mass_kg.to_f
        @trim = SteadyTrim.new(type, mass_kg, atmosphere)
        @rotor = @trim.rotor
        @engine = Engine.new(type, atmosphere)
        @wind = wind
        @density = atmosphere.density
        @drag = %w[x y z].map { |axis| type.fetch("airframe.drag_area_#{axis}_m2").to_f }
        @efficiency = type.fetch('engine.efficiency').to_f
        @accessory = type.fetch('engine.accessory_kw') * 1000.0
        @propeller = Propeller.of(type, atmosphere)
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
      def start(height_m:, speed_kt:, course_rad:, north_m: 0.0, east_m: 0.0, sink_m_s: 0.0, rotor_pct: 100.0)
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
          fraction: sink_m_s.positive? ? engine.idle_fraction : 1.0,
          collective_share: collective_share(point.collective_rad)
        )
        @disc_pitch = point.disc_pitch_rad
        @bank = @yaw_rate = 0.0
        @collective = point.collective_rad
        @on_ground = false
        @contact = nil
        evaluate(@position, @velocity, @rotor_speed, @induced)
        @account.open(energy_j)
        self
      end

      # Puts a steady start in the ground's effect instead: a hover at this height under power.
      def start_in_hover(height_m:, course_rad: 0.0)
        start(height_m: height_m, speed_kt: 0.0, course_rad: course_rad)
        point = trim.at(0.0, 0.0, height_m: height_m)
        @induced = point.induced_m_s
        @power_w = point.engine_power_w
        @collective = point.collective_rad
        @running.start(@power_w, fraction: 1.0, collective_share: collective_share)
        evaluate(@position, @velocity, @rotor_speed, @induced)
        self
      end

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
        air_before = air_velocity
        before = [@disc_pitch, @bank, @collective, @power_w, @heading]
        move_controls(controls, dt)
        run_engine(controls, dt)
        turn_heading(controls, dt)
        at_middle_of_step(before) { integrate(dt) }
        @time_s += dt
        count_wind_work(wind_before, air_before)
        meet_ground(dt)
        self
      end

      protected

      attr_reader :account

      private

      def air_velocity = wind_here.then { |north, east| [@velocity[0] - north, @velocity[1] - east] }

      # A wind that changes does work on an aircraft's energy against the air.
      def count_wind_work(wind_before, air_before)
        north, east = wind_here
        return if north == wind_before[0] && east == wind_before[1]

        air = air_velocity
        @account.lose(
          @mass *
            (
              ((air[0] + air_before[0]) / 2.0 * (north - wind_before[0])) +
                ((air[1] + air_before[1]) / 2.0 * (east - wind_before[1]))
            )
        )
      end

      # A gyroplane's rotor gives no torque to its fuselage.
      def torque_sign(type)
        return 0.0 unless type.helicopter?

        type.clockwise? ? -1.0 : 1.0
      end

      # Steady flight to start from: the trim point and the rotor speed, percent.
      def steady_point(speed_kt, sink_m_s, rotor_pct)
        return [trim.at(speed_kt, sink_m_s, rotor_pct: rotor_pct), rotor_pct] unless @propeller

        gyro = GyroTrim.new(type, @mass, trim.atmosphere)
        found = sink_m_s.positive? ? gyro.power_off(speed_kt) : gyro.level(speed_kt)
        @push_n = found.propeller_n
        [trim.at(speed_kt, found.sink_m_s, rotor_pct: found.rotor_pct, propeller_n: found.propeller_n), found.rotor_pct]
      end

      # Flies the step with what the controls, the engine and the heading are half-way through it, which keeps the whole
      # second-order accurate; then puts back what they are at its end.
      def at_middle_of_step(before)
        after = [@disc_pitch, @bank, @collective, @power_w, @heading]
        @disc_pitch, @bank, @collective, @power_w, @heading = before.zip(after).map { |a, b| (a + b) / 2.0 }
        yield
        @disc_pitch, @bank, @collective, @power_w, @heading = after
      end

      def move_controls(controls, dt)
        @disc_pitch = lag(@disc_pitch, controls.disc_pitch, @attitude_s, @attitude_deg_s * Quantities::DEG, dt)
        @bank = lag(@bank, controls.bank, @attitude_s, @attitude_deg_s * Quantities::DEG, dt)
        wanted = controls.collective.clamp(rotor.collective_min, rotor.collective_max)
        @collective = lag(@collective, wanted, COLLECTIVE_LAG_S, COLLECTIVE_RAD_S, dt)
      end

      # First-order lag with a rate limit, exact for a command held through the step.
      def lag(value, wanted, time_constant, rate, dt)
        change = (wanted - value) * (1.0 - Math.exp(-dt / time_constant))
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
        torque = @rotation * 2.2 * (torque_share - controls.pedal)
        @yaw_rate += (((controls.yaw_rate - @yaw_rate) / 0.5) + torque) * dt
        @yaw_rate = 0.0 if @on_ground
        @heading += @yaw_rate * dt
      end

      def integrate(dt)
        x = @position
        v = @velocity
        w = @rotor_speed
        i = @induced
        a1, r1, i1 = evaluate(x, v, w, i)
        l1 = @loss_w
        p1 = @drive_w
        h = dt / 2.0
        v2 = [v[0] + (h * a1[0]), v[1] + (h * a1[1]), v[2] + (h * a1[2])]
        a2, r2, i2 = evaluate([x[0], x[1], x[2] + (h * v[2])], v2, w + (h * r1), i + (h * i1))
        l2 = @loss_w
        p2 = @drive_w
        v3 = [v[0] + (h * a2[0]), v[1] + (h * a2[1]), v[2] + (h * a2[2])]
        a3, r3, i3 = evaluate([x[0], x[1], x[2] + (h * v2[2])], v3, w + (h * r2), i + (h * i2))
        l3 = @loss_w
        p3 = @drive_w
        v4 = [v[0] + (dt * a3[0]), v[1] + (dt * a3[1]), v[2] + (dt * a3[2])]
        a4, r4, i4 = evaluate([x[0], x[1], x[2] + (dt * v3[2])], v4, w + (dt * r3), i + (dt * i3))
        s = dt / 6.0
        @position = (0..2).map { |k| x[k] + (s * (v[k] + (2 * v2[k]) + (2 * v3[k]) + v4[k])) }
        @velocity = (0..2).map { |k| v[k] + (s * (a1[k] + (2 * a2[k]) + (2 * a3[k]) + a4[k])) }
        @spin = (r1 + (2 * r2) + (2 * r3) + r4) / 6.0
        @rotor_speed = w + (dt * @spin)
        @induced = i + (s * (i1 + (2 * i2) + (2 * i3) + i4))
        @account.lose(s * (l1 + (2 * l2) + (2 * l3) + @loss_w))
        @account.supply(s * (p1 + (2 * p2) + (2 * p3) + @drive_w))
      end

      # Rates of velocity, rotor speed and inflow in one state.
      def evaluate(position, velocity, omega, induced)
        cos_h = Math.cos(@heading)
        sin_h = Math.sin(@heading)
        wind = @wind.call(position[2], @time_s)
        air_n = velocity[0] - wind[0]
        air_e = velocity[1] - wind[1]
        air_u = velocity[2]
        sin_p = Math.sin(@disc_pitch)
        cos_b = Math.cos(@bank)
        sin_b = Math.sin(@bank)
        n_n = -((cos_b * sin_p * cos_h) + (sin_b * sin_h))
        n_e = -((cos_b * sin_p * sin_h) - (sin_b * cos_h))
        n_u = cos_b * Math.cos(@disc_pitch)
        climb = (air_n * n_n) + (air_e * n_e) + (air_u * n_u)
        air2 = (air_n * air_n) + (air_e * air_e) + (air_u * air_u)
        edge2 = air2 - (climb * climb)
        edge = edge2.positive? ? Math.sqrt(edge2) : 0.0
        airspeed = Math.sqrt(air2)
        tip = omega * rotor.radius
        mu = edge / tip
        unlimited = rotor.blade_loading(@collective, mu, (climb + induced) / tip)
        loading = rotor.limited(unlimited, mu)
        thrust = rotor.ring_thrust(loading, omega, climb, edge)
        inflow_rate = rotor.inflow_rate(position[2], climb, edge, airspeed, thrust, induced)
        profile = rotor.profile_power(omega, mu, loading, unlimited)
        shaft = (thrust * ((rotor.induced_factor * induced) + climb)) + profile
        accessory = @accessory * ((omega / rotor.normal_speed)**3)
        along = (air_n * cos_h) + (air_e * sin_h)
        push = @propeller ? @propeller.thrust_n(@power_w, along) : 0.0
        shaft_drive = @propeller ? 0.0 : @efficiency * @power_w
        spin = (shaft_drive - shaft - accessory) / (rotor.inertia * omega)
        @drive_w = shaft_drive + (push * along)
        across = (air_e * cos_h) - (air_n * sin_h)
        pressure = @density * airspeed / 2.0
        d_along = pressure * @drag[0] * along
        d_across = pressure * @drag[1] * across
        d_up = pressure * @drag[2] * air_u
        @thrust_n = thrust
        @rotor_power_w = shaft
        @air_climb = climb
        @air_edge = edge
        @loss_w =
          (thrust * rotor.induced_factor * induced) + profile + accessory + (d_along * along) + (d_across * across) +
          (d_up * air_u)
        ahead = push - d_along
        [[((thrust * n_n) + (ahead * cos_h) + (d_across * sin_h)) / @mass,
          ((thrust * n_e) + (ahead * sin_h) - (d_across * cos_h)) / @mass,
          (((thrust * n_u) - d_up) / @mass) - Quantities::G], spin, inflow_rate]
      end

      # The contact at the moment the height passed zero, not at the end of the step.
      def contact_within(dt)
        late = (@position[2] / @velocity[2]).clamp(0.0, dt)
        late = 0.0 if late.nan?
        {
          time_s: @time_s - late,
          sink_m_s: -@velocity[2],
          velocity: @velocity.dup,
          disc_pitch: @disc_pitch,
          heading: @heading,
          rotor_pct: rotor_pct - (100.0 * @spin * late / rotor.normal_speed),
          position: [@position[0] - (@velocity[0] * late), @position[1] - (@velocity[1] * late), 0.0]
        }
      end

      def meet_ground(dt)
        return @on_ground = false if @position[2].positive?

        @account.close(energy_j)
        @contact ||= contact_within(dt)
        @on_ground = true
        @position = [@position[0], @position[1], 0.0]
        carried = [(@mass * Quantities::G) - (@thrust_n * Math.cos(@disc_pitch)), 0.0].max
        @velocity = @gear.slowed(@velocity, carried, @mass, dt)
      end
    end
  end
end
