# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Flies a whole planned autorotation at a spot with a simulated pilot, straight in or with turns: for the command
      # line's `simulate`, the demo, what one change would have done, and the tests. The spot is the origin of the
      # run's north and east.
      class WholeFlight
        SETUP_S = 15.0

        # @param plan [Class] of Autorotation::Plan
        # @return [#call] what a declaration's `pilot` is
        def self.of(plan) = ->(conditions, **options) { new(conditions, plan: plan, **options) }

        # Faults that the pilot of a plan can have, with the unit of each value.
        def self.faults(plan) = plan <= TurningPlan ? PilotTask::FAULTS : PilotTask::FAULTS.except('late_turn')

        # @param conditions [Planning::Conditions]
        # @param height_ft [Float, nil] nil is the plan's own
        # @param faults [Hash{String => Numeric}] see PilotTask::FAULTS
        # @param shear [Float] exponent of the wind's power law with height, 0 for none
        # @param air_seed [Integer] of the gusts, where the wind has any
        # @param air [#call] the wind that is flown in, for one that differs from the planned:
        #   (height_m, time_s) → [north, east] m/s
        def initialize(
          conditions,
          plan: StraightInPlan,
          house: Planning::HouseMethod.new,
          height_ft: nil,
          course_deg: nil,
          settings: {},
          faults: {},
          setup_s: SETUP_S,
          shear: 0.0,
          air_seed: 1,
          air: Flight::WindField.new(conditions.wind, exponent: shear, seed: air_seed)
        )
          Flight::PilotFaults.check(faults, self.class.faults(plan))
          @conditions = conditions
          @house = house
          @course_deg = course_deg || conditions.wind.from_deg
          @faults = faults
          @setup_s = setup_s
          @air = air
          @plan = plan.new(conditions, house, course_deg: @course_deg, height_ft: height_ft, settings: settings).chosen
        end

        # @return [Run] of the real model, from the set-up to the hover or the stop
        def run
          model = Flight::Model.on(@conditions, wind: @air)
          north, east = start_m
          model.start(
            height_m: targets['entry_height_ft'] * Quantities::FT,
            speed_kt: targets['entry_speed_kt'],
            course_rad: entry_course_deg * Quantities::DEG,
            north_m: north,
            east_m: east
          )
          Flight::Run.new(model, Pilot.new(task, model))
        end

        private

        def targets = @plan.targets
        def parts = @plan.parts
        def entry_course_deg = @course_deg - parts.turns_deg.sum

        def task
          PilotTask.build(
            type: @conditions.type,
            course_deg: @course_deg,
            entry_speed_kt: targets['entry_speed_kt'],
            entry_height_ft: targets['entry_height_ft'],
            glide_speed_kt: targets['glide_speed_kt'],
            target_rotor_pct: targets['target_rotor_rpm_pct'],
            flare_height_ft: targets['flare_height_ft'],
            ending: @house.flown_ending,
            closure_s: @setup_s,
            faults: @faults,
            turns_deg: parts.turns_deg,
            bank_deg: parts.bank_deg,
            turn_after_s: parts.turn_after_s,
            hover_height_ft: targets['hover_height_ft'],
            restored: @plan.restored
          )
        end

        # The planned entry, misplaced by the faults, and back along the entry's track by the set-up.
        def start_m
          back =
            @setup_s *
            @conditions.wind.groundspeed_kt(
              entry_course_deg,
              @conditions.atmosphere.true_speed(targets['entry_speed_kt'])
            ) * Quantities::KT
          misplaced = (@faults.fetch('entered_too_far', 0) - @faults.fetch('entered_too_close', 0)) * Quantities::FT
          off = (entry_course_deg - @course_deg) * Quantities::DEG
          along = parts.entry_m[0] - misplaced - (back * Math.cos(off))
          across = parts.entry_m[1] - (back * Math.sin(off))
          course = @course_deg * Quantities::DEG
          [
            (along * Math.cos(course)) - (across * Math.sin(course)),
            (along * Math.sin(course)) + (across * Math.cos(course))
          ]
        end
      end
    end
  end
end
