# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # A gyroplane's take-off roll: propeller and rolling friction along the ground, the rotor speeding up in the air
      # that the tilted disc takes in (docs/reference/flight-model.md, 'Gyroplane'). Flapping a₁ = 2μ(4θ/3 − λ)/(1 −
      # μ²/2). On a level, hard, dry surface. The disc is held aft until the rotor carries nine tenths of the weight,
      # then eased forward ("balance"), so that it does not hold the aircraft behind the power curve; lift-off is where
      # it carries all. The energy of the roll, against the air, is accounted for (EnergyAccount).
      class TakeOffRoll
        # One moment of the roll. Ground speed m/s, airspeed kt equivalent, flap degrees.
        Moment =
          Value.define(
            :t_s, :distance_m, :ground_m_s, :ias_kt, :rotor_pct, :advance_ratio, :flap_deg, :load_share, :phase
          )
        # `abandoned` says why there was no lift-off.
        Result = Value.define(:moments, :abandoned) do
          def lifted_off? = abandoned.nil?
          def last = moments.last
          def max(field) = moments.map(&field).max
        end

        STEP_S = 0.02
        ROLLING_FRICTION = 0.04
        LONGEST_S = 90.0
        DISC_AFT_DEG = 18.0
        BALANCE_LOAD = 0.9
        BALANCE_DISC_DEG = 12.4
        EASE_DEG_S = 4.0

        # @param prerotated_pct [Float] rotor speed at brake release
        # @param headwind_m_s [Float] along the roll, + against, - from behind
        # @param power_share [Float] of the power there is
        def initialize(conditions, prerotated_pct:, headwind_m_s: 0.0, disc_aft_deg: DISC_AFT_DEG, power_share: 1.0)
          @type = conditions.type
          @atmosphere = conditions.atmosphere
          @weight = conditions.mass_kg * Quantities::G
          @rotor = Flight::Rotor.new(@type, @atmosphere.density)
          @engine = Flight::Engine.new(@type, @atmosphere)
          @propeller = Flight::Propeller.new(@type, @atmosphere)
          @drag_area = @type.fetch('airframe.drag_area_x_m2').to_f
          @flap_limit_deg = @type.fetch('flap_limit_deg').to_f
          @omega = @rotor.normal_speed * prerotated_pct / 100.0
          @headwind = headwind_m_s
          @tilt = disc_aft_deg * Quantities::DEG
          @power_share = power_share
        end

        # @return [Result] moments a tenth of a second apart, the last being lift-off or where the roll was abandoned
        def run
          @t = @distance = @ground = 0.0
          @power = 0.2 * @engine.max_power_w
          @induced = 1.0
          @account = Flight::EnergyAccount.new
          @account.open(energy_j)
          moments = []
          steps = 0
          loop do
            look
            reason = stopped_by
            moments << moment if reason || (steps % 5).zero?
            return finished(moments, reason) if reason

            advance
            steps += 1
          end
        end

        # What the roll's energy account is out by, as a share of the energy at brake release.
        def energy_residual = @account.residual(energy_j)

        private

        def finished(moments, reason)
          @account.check(energy_j)
          Result.new(moments: moments.freeze, abandoned: reason == :lift_off ? nil : reason)
        end

        # Energy of motion through the air and of the rotor, joule.
        def energy_j =
          (0.5 * @weight / Quantities::G * ((@ground + @headwind)**2)) + (0.5 * @rotor.inertia * @omega * @omega)

        def look
          air = @ground + @headwind
          @climb = -air * Math.sin(@tilt)
          @edge = air * Math.cos(@tilt)
          tip = @omega * @rotor.radius
          @mu = @edge / tip
          inflow = (@climb + @induced) / tip
          @unlimited = @rotor.blade_loading(@rotor.collective_min, @mu, inflow)
          @loading = @rotor.limited(@unlimited, @mu)
          @thrust = @rotor.thrust(@loading, @omega, 0.0)
          @load_share = @thrust * Math.cos(@tilt) / @weight
          @flap_deg =
            2.0 * @mu * ((4.0 * @rotor.collective_min / 3.0) - inflow) / (1.0 - (@mu * @mu / 2.0)) / Quantities::DEG
        end

        def moment
          air = @ground + @headwind
          Moment.new(
            t_s: @t,
            distance_m: @distance,
            ground_m_s: @ground,
            ias_kt: @atmosphere.equivalent_speed([air, 0.0].max) / Quantities::KT,
            rotor_pct: 100.0 * @omega / @rotor.normal_speed,
            advance_ratio: @mu,
            flap_deg: @flap_deg,
            load_share: @load_share,
            phase: @balancing ? :balance : :roll
          )
        end

        def stopped_by
          if @flap_deg >= @flap_limit_deg
            return Text.of('blade flapping reached %{flap}° at %{speed} kt',
                           flap: @flap_deg.round(1), speed: moment.ias_kt.round)
          end
          return :lift_off if @load_share >= 1.0
          return 'no lift-off within the longest roll' if @t > LONGEST_S || @distance > 3000.0

          nil
        end

        # One step by the midpoint rule: the forces are looked at again half-way through it.
        def advance
          @balancing ||= @load_share >= BALANCE_LOAD
          ground = @ground
          omega = @omega
          induced = @induced
          move(STEP_S / 2.0, ground, omega, induced)
          look
          move(STEP_S, ground, omega, induced, @account)
          @distance += (ground + @ground) / 2.0 * STEP_S
          @t += STEP_S
        end

        # Goes on for a time from a state, with the forces last looked at; control and engine move with the first half
        # only.
        def move(seconds, ground, omega, induced, account = nil)
          control(STEP_S) unless account
          air = @ground + @headwind
          push = @propeller.thrust_n(@power, air)
          drag = @atmosphere.density / 2.0 * @drag_area * air * air.abs
          friction = ROLLING_FRICTION * [@weight - (@thrust * Math.cos(@tilt)), 0.0].max
          force = push - drag - (@thrust * Math.sin(@tilt)) - friction
          lost = (@thrust * @rotor.induced_factor * @induced) + @rotor.profile_power(@omega, @mu, @loading, @unlimited)
          @ground = [ground + (force / @weight * Quantities::G * seconds), 0.0].max
          spin_and_inflow(seconds, omega, induced, air, lost)
          return unless account

          # Standing against the wind the wheels hold what would roll it back.
          held = ((@ground - ground) / seconds * @weight / Quantities::G) - force
          through = ((ground + @ground) / 2.0) + @headwind
          account.supply(push * through * seconds)
          account.lose((((drag + friction - held) * through) + lost) * seconds)
        end

        def control(seconds)
          if @balancing
            @tilt = [
              @tilt - (EASE_DEG_S * Quantities::DEG * seconds),
              [BALANCE_DISC_DEG * Quantities::DEG, @tilt].min
            ].max
          end
          @power = Lag.follow(@power, @power_share * @engine.max_power_w, seconds, @engine.lag_s)
        end

        def spin_and_inflow(seconds, omega, induced, air, lost)
          @omega = [omega - ((lost + (@thrust * @climb)) / (@rotor.inertia * @omega) * seconds), 0.5].max
          return @induced = 0.0 unless @thrust > 1.0

          steady = @rotor.steady_inflow(@climb, @edge, @thrust, @rotor.ground_factor(0.0, air.abs, @induced))
          @induced = Lag.follow(induced, steady, seconds, Flight::Rotor::INFLOW_S)
        end
      end
    end
  end
end
