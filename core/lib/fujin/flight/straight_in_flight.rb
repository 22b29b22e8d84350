# frozen_string_literal: true

module Fujin
  module Flight
    # Flies a whole planned straight-in autorotation at a spot with a simulated pilot: for the command line's
    # `simulate`, the demo and the tests. The spot is the origin of the run's north and east.
    class StraightInFlight
      SETUP_S = 15.0

      # @param conditions [Planning::Conditions]
      # @param faults [Hash{String => Numeric}] see PILOT_FAULTS
      # @param shear [Float] exponent of the wind's power law with height, 0 for none
      # @param air_seed [Integer] of the gusts, where the wind has any
      def initialize(conditions, house: Planning::HouseMethod.new, height_ft: 1000.0, course_deg: nil, faults: {}, setup_s: SETUP_S, shear: 0.0, air_seed: 1)
        PilotTask.check(faults)
        @conditions = conditions
        @house = house
        @height_ft = height_ft
        @course_deg = course_deg || conditions.wind.from_deg
        @faults = faults
        @setup_s = setup_s
        @wind = WindField.new(conditions.wind, exponent: shear, seed: air_seed)
        @plan = Planning::StraightInPlan.new(conditions, house, course_deg: @course_deg, height_ft: height_ft)
      end

      # @return [Run] of the real model, from the set-up to the hover or the stop
      def run
        targets = @plan.targets
        model = Model.new(type: @conditions.type, mass_kg: @conditions.mass_kg, atmosphere: @conditions.atmosphere, wind: @wind)
        distance = start_distance_m(targets['entry_speed_kt'])
        course = @course_deg * Quantities::DEG
        model.start(height_m: @height_ft * Quantities::FT, speed_kt: targets['entry_speed_kt'], course_rad: course,
                    north_m: -distance * Math.cos(course), east_m: -distance * Math.sin(course))
        Run.new(model, Pilot.new(task(targets), model))
      end

      private

      def task(targets)
        PilotTask.build(type: @conditions.type, course_deg: @course_deg, entry_speed_kt: targets['entry_speed_kt'], entry_height_ft: @height_ft,
                        glide_speed_kt: targets['glide_speed_kt'], target_rotor_pct: targets['target_rotor_rpm_pct'],
                        flare_height_ft: targets['flare_height_ft'], ending: @house.flown_ending, closure_s: @setup_s, faults: @faults)
      end

      def start_distance_m(entry_speed_kt)
        speed = @conditions.wind.groundspeed_kt(@course_deg, @conditions.atmosphere.true_speed(entry_speed_kt)) * Quantities::KT
        misplaced = (@faults.fetch('entered_too_far', 0) - @faults.fetch('entered_too_close', 0)) * Quantities::FT
        @plan.entry_distance_m + misplaced + (@setup_s * speed)
      end
    end
  end
end
