# frozen_string_literal: true

module Fujin
  # Air at one place and moment, from pressure altitude and temperature.
  # Source: ICAO Standard Atmosphere (Doc 7488), troposphere only (to 11 km).
  class Atmosphere
    SEA_LEVEL_PRESSURE_PA = 101_325.0
    SEA_LEVEL_TEMPERATURE_K = 288.15
    SEA_LEVEL_DENSITY = 1.225
    LAPSE_K_PER_M = 0.0065
    GAS_CONSTANT = 287.05287
    EXPONENT = Quantities::G / (GAS_CONSTANT * LAPSE_K_PER_M)

    attr_reader :pressure_pa, :temperature_k, :density

    # @param elevation_m [Float] height above mean sea level, metres
    # @param qnh_pa [Float] sea-level pressure setting, pascal
    # @param temperature_k [Float, nil] air temperature at that height; nil takes the standard one
    def initialize(elevation_m: 0.0, qnh_pa: SEA_LEVEL_PRESSURE_PA, temperature_k: nil)
      @pressure_pa = qnh_pa * ((1.0 - (LAPSE_K_PER_M * elevation_m / SEA_LEVEL_TEMPERATURE_K))**EXPONENT)
      @temperature_k = temperature_k || self.class.standard_temperature_k(pressure_altitude_m)
      @density = @pressure_pa / (GAS_CONSTANT * @temperature_k)
      freeze
    end

    def self.standard_temperature_k(pressure_altitude_m)
      SEA_LEVEL_TEMPERATURE_K - (LAPSE_K_PER_M * pressure_altitude_m)
    end

    def pressure_altitude_m
      (SEA_LEVEL_TEMPERATURE_K / LAPSE_K_PER_M) *
        (1.0 - ((@pressure_pa / SEA_LEVEL_PRESSURE_PA)**(1.0 / EXPONENT)))
    end

    # Height in the standard atmosphere that has this density.
    def density_altitude_m
      (SEA_LEVEL_TEMPERATURE_K / LAPSE_K_PER_M) *
        (1.0 - (density_ratio**(1.0 / (EXPONENT - 1.0))))
    end

    def density_ratio = @density / SEA_LEVEL_DENSITY

    # True speed for an equivalent airspeed.
    def true_speed(equivalent) = equivalent / Math.sqrt(density_ratio)
    def equivalent_speed(true_speed) = true_speed * Math.sqrt(density_ratio)
  end
end
