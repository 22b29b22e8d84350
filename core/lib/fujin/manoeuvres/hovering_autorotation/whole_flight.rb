# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module HoveringAutorotation
      # Flies a planned hovering autorotation into wind with a simulated pilot. The hover stands over the origin of the
      # run's north and east.
      class WholeFlight
        CLOSURE_S = 12.0

        # @param faults [Hash{String => Numeric}] of HoveringAutorotation::Pilot::FAULTS
        # @param height_ft [Float, nil] of the hover; nil is the house's
        # @param settings [Hash] the manoeuvre takes none
        def initialize(
          conditions,
          house: Planning::HouseMethod.new,
          height_ft: nil,
          course_deg: nil,
          settings: {},
          faults: {},
          shear: 0.0,
          air_seed: 1
        )
          Flight::PilotFaults.check(faults, Pilot::FAULTS)
          Planning::Settings.read([], settings)
          @conditions = conditions
          @height_m = (height_ft || house['hover_height_ft']) * Quantities::FT
          @course_deg = course_deg || conditions.wind.from_deg
          @faults = Hash.new(0.0).merge(faults)
          @wind = Flight::WindField.new(conditions.wind, exponent: shear, seed: air_seed)
        end

        # @return [Run]
        def run
          model = Flight::Model.on(@conditions, wind: @wind)
          model.start(height_m: @height_m, speed_kt: headwind_kt, course_rad: @course_deg * Quantities::DEG)
          Flight::Run.new(model, Pilot.new(task, model))
        end

        private

        # As airspeed; across the nose the pilot leans into it.
        def headwind_kt = [@conditions.atmosphere.equivalent_speed(@conditions.wind.headwind_kt(@course_deg)), 0.0].max

        def task
          Task.new(
            course_rad: @course_deg * Quantities::DEG,
            height_m: @height_m,
            headwind_kt: headwind_kt,
            closure_s: CLOSURE_S,
            cushion_gain: 1.0 - @faults['weak_cushion'],
            raised_rad: @faults['raised_collective'] / 100.0 * collective_travel,
            drift_m_s: @faults['drift_at_contact'] * Quantities::KT,
            contact_pitch_rad: @faults['not_level'] * Quantities::DEG,
            pedal_lag_s: Flight::Piloting::PEDAL_LAG_S + @faults['yaw_uncorrected']
          )
        end

        def collective_travel = @conditions.trim.rotor.then { |rotor| rotor.collective_max - rotor.collective_min }
      end
    end
  end
end
