# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Where flapping passes its limit: airspeed against rotor rpm, the disc at the roll's angle, inflow steady.
      module FlapRegion
        module_function

        # @return [Shape]
        def shape(conditions)
          edge = (10..60).step(5).filter_map { |kt| (pct = limit_pct(conditions, kt.to_f)) && [kt.to_f, pct] }
          Planning::Shape.new(
            id: 'flap',
            label: 'blade flap',
            kind: 'avoid',
            points: [[edge.first[0], 0.0], *edge, [edge.last[0], 0.0]]
          )
        end

        # Rotor rpm at which flapping is at its limit for an airspeed, percent.
        def limit_pct(conditions, kt)
          limit = conditions.type.fetch('flap_limit_deg').to_f
          Roots.find(2.0, 120.0, tolerance: 0.05, what: 'flap limit') { |pct| flap_deg(conditions, kt, pct) - limit }
        rescue OutsideModel
          nil
        end

        def flap_deg(conditions, kt, pct)
          rotor = conditions.trim.rotor
          tilt = TakeOffRoll::DISC_AFT_DEG * Quantities::DEG
          speed = conditions.atmosphere.true_speed(kt * Quantities::KT)
          tip = rotor.normal_speed * pct / 100.0 * rotor.radius
          mu = speed * Math.cos(tilt) / tip
          inflow = -speed * Math.sin(tilt) / tip
          2.0 * mu * ((4.0 * rotor.collective_min / 3.0) - inflow) / [1.0 - (mu * mu / 2.0), 0.1].max / Quantities::DEG
        end
      end
    end
  end
end
