# frozen_string_literal: true

module Fujin
  module Planning
    # The day and the load a plan is made for.
    Conditions =
      Value.define(:type, :mass_kg, :wind, :elevation_ft, :oat_c, :qnh_hpa, :dew_point_c, :atmosphere) do
        self::TRIMS = Kept.new(64)

        # @param people ['solo', 'dual'] used when no mass is given
        # @param oat_c [Float, nil] nil takes the standard temperature
        # @raise [InvalidInput] naming each field out of range
        def self.build(
          type:,
          people: 'dual',
          mass_kg: nil,
          wind: Wind.calm,
          elevation_ft: 0.0,
          oat_c: nil,
          qnh_hpa: 1013.25,
          dew_point_c: nil
        )
          mass = mass_kg || type.mass_kg(people)
          InvalidInput.check_ranges(
            'mass_kg' => [mass, type.fetch('masses_kg.empty'), type.fetch('masses_kg.max') * 1.3],
            'elevation_ft' => [elevation_ft, *Ranges.of('elevation_ft')],
            'qnh_hpa' => [qnh_hpa, *Ranges.of('qnh_hpa')],
            'oat_c' => [oat_c || 15, *Ranges.of('oat_c')],
            'dew_point_c' => [dew_point_c || 0, *Ranges.of('dew_point_c')]
          )
          air =
            Atmosphere.new(
              elevation_m: elevation_ft * Quantities::FT,
              qnh_pa: qnh_hpa * 100.0,
              temperature_k: oat_c && (oat_c + 273.15)
            )
          new(
            type: type,
            mass_kg: mass.to_f,
            wind: wind,
            elevation_ft: elevation_ft.to_f,
            oat_c: air.temperature_k - 273.15,
            qnh_hpa: qnh_hpa.to_f,
            dew_point_c: dew_point_c,
            atmosphere: air
          )
        end

        # What the model's answers depend on besides wind and place.
        def load_key = [type.key, mass_kg, atmosphere.density, atmosphere.pressure_pa]

        # Steady states of this load in this air; they remember what was asked before.
        def trim = self.class::TRIMS.fetch([:steady, *load_key]) { Flight::SteadyTrim.new(type, mass_kg, atmosphere) }
        def gyro_trim = self.class::TRIMS.fetch([:gyro, *load_key]) { Flight::GyroTrim.new(type, mass_kg, atmosphere) }
      end
  end
end
