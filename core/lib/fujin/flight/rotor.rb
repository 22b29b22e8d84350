# frozen_string_literal: true

module Fujin
  module Flight
    # A rotor in air of one density: thrust, inflow and shaft power (docs/reference/flight-model.md). Blade-element
    # theory with uniform inflow, momentum theory (H. Glauert, "A General Theory of the Autogyro", ARC R&M 1111, 1926),
    # and an empirical closure through the vortex-ring and turbulent-wake states. SI, radians.
    class Rotor
      # Steady induced velocity between momentum theory's two branches, in units of the hover's: p(A p² + B q² − C)
      # (W. Johnson, "Helicopter Theory", 1980, section 3-2.4; fitted there to measured rotors).
      CLOSURE_CLIMB = 0.373
      CLOSURE_EDGE = 0.598
      CLOSURE_OFFSET = 1.991
      # Momentum theory has two roots below this climb ratio: the lower one is the windmill's.
      WINDMILL_CLIMB = -1.5
      # Half-axes of the ellipse in climb and edgewise ratio inside which there is a vortex ring, about a sink of one
      # induced velocity. Chosen: onset near 0.45 and end near 1.55 of the induced velocity in a vertical descent.
      RING_CLIMB = 0.55
      RING_EDGE = 0.95
      # Time constant of the inflow, s. Chosen: that of a light rotor's wake, about a quarter of a revolution behind.
      INFLOW_S = 0.1
      # Blades begin to stall at this share of their limit; under load they carry at least, and pushed down at most, so
      # much loading. Chosen.
      KNEE = 0.78
      LEAST_LIMIT = 0.05
      LEAST_LOADING = -0.03
      # Drag that stalled blades add for each unit of loading they fail to carry. Chosen: keeps the stall's power real.
      STALL_DRAG = 0.6
      # Profile power grows by 1 + 4.65 μ² (A. R. S. Bramwell, "Helicopter Dynamics", 1976, section 3.7).
      PROFILE_OF_SPEED = 4.65

      # The blades cannot carry the load at this speed and rotor rpm.
      class Stalled < OutsideModel; end

      attr_reader :area, :solidity, :radius, :normal_speed, :inertia, :induced_factor, :lift_slope, :collective_min,
                  :collective_max, :hub_height, :density

      def initialize(type, density)
        @density = density
        @radius = type.fetch('rotor.radius_m').to_f
        @area = Math::PI * @radius * @radius
        @solidity = type.fetch('rotor.blades') * type.fetch('rotor.chord_m') / (Math::PI * @radius)
        @normal_speed = type.fetch('rotor.normal_speed_rad_s').to_f
        @inertia = type.fetch('rotor.inertia_kg_m2').to_f
        @lift_slope = type.fetch('rotor.lift_slope_per_rad').to_f
        @cd0 = type.fetch('rotor.cd0').to_f
        @cd2 = type.fetch('rotor.cd2').to_f
        @induced_factor = type.fetch('rotor.induced_factor').to_f
        @limit = type.fetch('rotor.thrust_limit').to_f
        @limit_slope = type.fetch('rotor.thrust_limit_mu_slope').to_f
        @collective_min = type.fetch('rotor.collective_min_deg') * Quantities::DEG
        @collective_max = type.fetch('rotor.collective_max_deg') * Quantities::DEG
        @hub_height = type.fetch('rotor.hub_height_m').to_f
        @ring_loss = type.fetch('rotor.vortex_ring_thrust_loss').to_f
        @thrust_scale = @solidity * density * @area * @radius * @radius
        @profile_scale = density * @area * (@radius**3) * @solidity / 8.0
        freeze
      end

      # Induced velocity in a hover out of ground effect, m/s.
      def hover_induced_velocity(thrust) = Math.sqrt(thrust / (2.0 * density * area))

      # Blade loading C_T/sigma without the stall limit.
      def blade_loading(theta75, advance_ratio, inflow_ratio)
        lift_slope / 2.0 * ((theta75 / 3.0 * (1.0 + (1.5 * advance_ratio * advance_ratio))) - (inflow_ratio / 2.0))
      end

      # The same after the soft stall limit.
      def limited(loading, advance_ratio)
        top = loading_limit(advance_ratio)
        knee = KNEE * top
        return (loading < LEAST_LOADING ? LEAST_LOADING : loading) if loading <= knee

        knee + ((top - knee) * Math.tanh((loading - knee) / (top - knee)))
      end

      # Undoes #limited.
      # @raise [Stalled] when the blades cannot carry that loading
      def unlimited(loading, advance_ratio)
        top = loading_limit(advance_ratio)
        knee = KNEE * top
        return loading if loading <= knee
        raise Stalled, 'the blades would be stalled' if loading >= top

        knee + ((top - knee) * Math.atanh((loading - knee) / (top - knee)))
      end

      # Collective (radians at 75 % radius) for a blade loading.
      def collective(loading, advance_ratio, inflow_ratio)
        3.0 * ((2.0 * loading / lift_slope) + (inflow_ratio / 2.0)) / (1.0 + (1.5 * advance_ratio * advance_ratio))
      end

      # Strength of the vortex-ring state, 0 outside its region to 1 at its heart.
      # @param climb_ratio [Float] v_n / v_h, @param edge_ratio [Float] v_t / v_h
      def ring_strength(climb_ratio, edge_ratio)
        s = 1.0 - (((climb_ratio + 1.0) / RING_CLIMB)**2) - ((edge_ratio / RING_EDGE)**2)
        s.positive? ? s : 0.0
      end

      def thrust(loading, omega, ring) = loading * @thrust_scale * omega * omega * (1.0 - (@ring_loss * ring))
      def loading(thrust, omega, ring) = thrust / (@thrust_scale * omega * omega * (1.0 - (@ring_loss * ring)))

      # Shaft power against blade drag, watts.
      def profile_power(omega, advance_ratio, loading, unlimited_loading)
        angle = 6.0 * loading / lift_slope
        drag = @cd0 + (@cd2 * angle * angle) + (STALL_DRAG * (unlimited_loading - loading))
        @profile_scale * (omega**3) * drag * (1.0 + (PROFILE_OF_SPEED * advance_ratio * advance_ratio))
      end

      # Ground-effect factor on the induced velocity (I. C. Cheeseman and W. E. Bennett, "The Effect of the Ground on a
      # Helicopter Rotor in Forward Flight", ARC R&M 3021, 1955), 1 away from the ground.
      # @param height [Float] skids above ground, metres
      def ground_factor(height, speed, induced)
        z = height + hub_height
        ratio = radius / (4.0 * z)
        flow = induced.abs > 1e-3 ? speed / induced : 1e3
        1.0 - (ratio * ratio / (1.0 + (flow * flow)))
      end

      # Steady induced velocity, m/s, out of ground effect (factor 1) or in it.
      def steady_inflow(climb, edge, thrust, factor = 1.0)
        hover = hover_induced_velocity(thrust)
        p = climb / hover
        q = edge / hover
        return factor * closure(p, q, hover) if in_closure?(p, q)

        factor * (p > WINDMILL_CLIMB ? upper_root(climb, edge, hover) : lower_root(climb, edge, hover))
      end

      def in_closure?(climb_ratio, edge_ratio) = (((2.0 * climb_ratio) + 3.0)**2) + (edge_ratio**2) < 1.0

      def closure(climb_ratio, edge_ratio, hover)
        hover * climb_ratio *
          ((CLOSURE_CLIMB * climb_ratio * climb_ratio) + (CLOSURE_EDGE * edge_ratio * edge_ratio) - CLOSURE_OFFSET)
      end

      # Thrust with the vortex-ring loss, whose own scale depends on the thrust.
      def ring_thrust(loading, omega, climb, edge)
        found = thrust(loading, omega, 0.0)
        return found if climb >= 0.0 || found <= 0.0

        2.times do
          hover = hover_induced_velocity(found)
          found = thrust(loading, omega, ring_strength(climb / hover, edge / hover))
        end
        found
      end

      # Rate of the induced velocity towards its steady value, m/s².
      def inflow_rate(height, climb, edge, airspeed, thrust, induced)
        return -induced / INFLOW_S if thrust <= 1.0

        factor = ground_factor(height.negative? ? 0.0 : height, airspeed, induced)
        hover = hover_induced_velocity(thrust)
        p = climb / hover
        q = edge / hover
        steady = if in_closure?(p, q)
                   closure(p, q, hover)
                 else
                   through = climb + (induced / factor)
                   flow2 = (edge * edge) + (through * through)
                   flow2 < 0.01 ? hover : hover * hover / Math.sqrt(flow2)
                 end
        ((factor * steady) - induced) / INFLOW_S
      end

      private

      def loading_limit(advance_ratio) = [@limit * (1.0 - (@limit_slope * advance_ratio.abs)), LEAST_LIMIT].max

      # w * sqrt(edge^2 + (climb + w)^2) = hover^2 by Newton's method from above.
      def upper_root(climb, edge, hover)
        newton((-climb + Math.sqrt((climb * climb) + (4.0 * hover * hover))) / 2.0, climb, edge, hover)
      end

      # The smallest root, from below.
      def lower_root(climb, edge, hover) = newton(0.0, climb, edge, hover)

      def newton(guess, climb, edge, hover)
        target = hover * hover
        30.times do
          through = climb + guess
          flow = Math.sqrt((edge * edge) + (through * through))
          slope = flow + (guess * through / flow)
          change = ((guess * flow) - target) / slope
          guess -= change
          break if change.abs < 1e-9
        end
        guess
      end
    end
  end
end
