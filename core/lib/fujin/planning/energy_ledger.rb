# frozen_string_literal: true

module Fujin
  module Planning
    # Height, airspeed and rotor rpm as one account, in feet of height: speed v²/2g, rotor ½IΩ²/mg.
    # Airspeed counts, not ground speed: it is what a pilot can trade.
    module EnergyLedger
      Entry = Value.define(:t_s, :height_ft, :speed_ft, :rotor_ft, :total_ft)

      module_function

      # @param path [Array<PathPoint>] points without an airspeed or rotor rpm are left out
      # @return [Array<Entry>]
      def of(path, conditions)
        path.filter_map do |point|
          next unless point.ias_kt && point.rotor_rpm_pct

          speed = speed_ft(point.ias_kt, conditions)
          rotor = rotor_ft(point.rotor_rpm_pct, conditions)
          Entry.new(t_s: point.t_s, height_ft: point.height_ft, speed_ft: speed, rotor_ft: rotor,
                    total_ft: point.height_ft + speed + rotor)
        end
      end

      def speed_ft(ias_kt, conditions)
        (conditions.atmosphere.true_speed(ias_kt * Quantities::KT)**2) / (2.0 * Quantities::G) / Quantities::FT
      end

      def rotor_ft(rotor_pct, conditions)
        speed = conditions.type.fetch('rotor.normal_speed_rad_s') * rotor_pct / 100.0
        0.5 * conditions.type.fetch('rotor.inertia_kg_m2') * speed * speed / (conditions.mass_kg * Quantities::G) /
          Quantities::FT
      end
    end
  end
end
