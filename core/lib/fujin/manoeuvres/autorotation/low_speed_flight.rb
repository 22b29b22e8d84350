# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Flies a planned low-speed autorotation with a simulated pilot: power off at the glide, the speed let off and
      # held for a while, won back, glided to a recovery. At no airspeed at all a point-mass pilot has no nose to
      # follow: it holds a little.
      class LowSpeedFlight
        SETUP_S = 15.0
        LEAST_KT = 12.0
        # Established in the glide before the speed comes off.
        GLIDED_S = 8.0
        FAULTS =
          PilotTask::FAULTS.slice(
            'slow_glide', 'fast_glide', 'low_rotor_rpm', 'high_rotor_rpm', 'late_collective', 'yaw_uncorrected'
          ).freeze

        # @param height_ft [Float, nil] nil is the plan's own
        # @param faults [Hash{String => Numeric}] of FAULTS
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
          Flight::PilotFaults.check(faults, FAULTS)
          @conditions = conditions
          @house = house
          @course_deg = course_deg || conditions.wind.from_deg
          @faults = faults
          @wind = Flight::WindField.new(conditions.wind, exponent: shear, seed: air_seed)
          @plan =
            LowSpeedPlan.new(conditions, house, course_deg: @course_deg, height_ft: height_ft, settings: settings).plan
        end

        # @return [Run]
        def run
          model = Flight::Model.on(@conditions, wind: @wind)
          model.start(
            height_m: @plan.value('entry_height_ft') * Quantities::FT,
            speed_kt: targets['glide_speed_kt'],
            course_rad: @course_deg * Quantities::DEG
          )
          Flight::Run.new(model, Pilot.new(task, model), limit_s: 300.0)
        end

        private

        def targets = @targets ||= StraightInPlan.new(@conditions, @house, course_deg: @course_deg).targets

        def task
          PilotTask.build(
            type: @conditions.type,
            course_deg: @course_deg,
            entry_speed_kt: targets['glide_speed_kt'],
            entry_height_ft: @plan.value('entry_height_ft'),
            glide_speed_kt: targets['glide_speed_kt'],
            target_rotor_pct: targets['target_rotor_rpm_pct'],
            flare_height_ft: targets['flare_height_ft'],
            ending: @house.flown_ending,
            closure_s: SETUP_S,
            faults: @faults,
            turn_after_s: GLIDED_S,
            slow_kt: [@plan.value('low_speed_kt'), LEAST_KT].max
          )
        end
      end
    end
  end
end
