# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # Flies a whole planned approach with a simulated pilot: for the command line's `simulate`, what one change would
      # have done, and the tests. The spot is the origin of the run's north and east.
      class WholeFlight
        SETUP_S = 15.0
        ENDINGS = { 'run_on' => :run_on, 'surface' => :surface }.freeze

        # @param plan [Class] of Approach::Plan
        # @return [#call] what a declaration's `pilot` is
        def self.of(plan) = ->(conditions, **options) { new(plan, conditions, **options) }

        # @param faults [Hash{String => Numeric}] of Approach::Pilot::FAULTS
        # @param start_ias_kt [Float, nil] that it begins with; nil is the plan's
        # @param shear [Float] exponent of the wind's power law with height, 0 for none
        def initialize(
          plan,
          conditions,
          house: Planning::HouseMethod.new,
          height_ft: nil,
          course_deg: nil,
          settings: {},
          faults: {},
          start_ias_kt: nil,
          shear: 0.0,
          air_seed: 1
        )
          Flight::PilotFaults.check(faults, Pilot::FAULTS)
          @conditions = conditions
          @house = house
          @course_deg = course_deg || conditions.wind.from_deg
          @faults = Hash.new(0.0).merge(faults)
          @shear = shear
          @air_seed = air_seed
          @profile =
            plan.new(conditions, house, course_deg: @course_deg, height_ft: height_ft, settings: settings).profile
          @start_ias_kt = start_ias_kt || @profile.start_ias_kt
          check_angle
        end

        # @return [Run] from the set-up to the hover, the stop, or the climb away
        # @raise [OutsideModel] when there is not the power for it
        def run
          model = Flight::Model.on(@conditions,
                                   wind: Flight::WindField.new(@conditions.wind, exponent: @shear, seed: @air_seed))
          course = @course_deg * Quantities::DEG
          out = start_m
          model.start(
            height_m: @profile.start_height_ft * Quantities::FT,
            speed_kt: @start_ias_kt,
            course_rad: course,
            north_m: -out * Math.cos(course),
            east_m: -out * Math.sin(course)
          )
          Flight::Run.new(
            model,
            Pilot.new(task, model, headwind_m_s: @conditions.wind.headwind_kt(@course_deg) * Quantities::KT)
          )
        end

        private

        # Flatter, and the line never meets the ground; steeper, and no power holds it.
        ANGLES_DEG = (1.0..30.0)
        private_constant :ANGLES_DEG

        def check_angle
          return if ANGLES_DEG.cover?(angle_deg)

          fault = @faults['too_shallow'].zero? ? 'too_steep' : 'too_shallow'
          planned = @profile.angle_deg.round(1)
          raise InvalidInput, [{ path: "fault.#{fault}",
                                 message: Text.of('the plan has %{planned}°; with the fault it must stay between 1° ' \
                                   'and 30°',
                                                  planned: planned) }]
        end

        def angle_deg = @angle_deg ||= @profile.angle_deg + @faults['too_steep'] - @faults['too_shallow']

        def task
          Task.new(
            course_rad: @course_deg * Quantities::DEG,
            start_height_m: @profile.start_height_ft * Quantities::FT,
            start_kt: @start_ias_kt,
            angle_rad: angle_deg * Quantities::DEG,
            end_height_m: @profile.end_height_ft * Quantities::FT,
            ground_speed: method(:ground_speed),
            line: method(:line_m),
            ending: ENDINGS.fetch(@profile.ending, :hover),
            decision_kt: @house['decision_speed_kt'],
            climb_kt: @conditions.type.fetch('speeds_kt.climb').to_f,
            decide_after_s: (@faults['late_decision'] if @faults.key?('late_decision')),
            sank_m_s: sank_m_s,
            line_m: @faults['drifted_off_track'] * Quantities::FT,
            drift_m_s: @faults['drift_at_contact'] * Quantities::KT,
            contact_pitch_rad: @faults['not_level'] * Quantities::DEG
          )
        end

        def sank_m_s
          over = @faults['sank_at_low_speed']
          over.positive? ? (@house.sink_allowed_fpm(Pilot::SANK_BELOW_KT) + over) * Quantities::FPM : 0.0
        end

        # Ground speed of the plan's profile with so much of the line still to go; one who breaks the cap loses the
        # speed too soon.
        def ground_speed(metres)
          planned = @profile.ground_kt.call(metres * flown_slope / planned_slope / Quantities::FT)
          [planned - @faults['power_cap_broken'], 1.0].max * Quantities::KT
        end

        # Height of the line with so much still to go: the plan's, steeper or flatter by the fault.
        def line_m(metres)
          return end_m + (metres * flown_slope) unless angle_deg == @profile.angle_deg

          @profile.line_ft.call(metres / Quantities::FT) * Quantities::FT
        end

        def flown_slope = @flown_slope ||= Math.tan(angle_deg * Quantities::DEG)
        def planned_slope = @planned_slope ||= Math.tan(@profile.angle_deg * Quantities::DEG)
        def end_m = @profile.end_height_ft * Quantities::FT

        # Along the line before the angle is met, and the set-up before that.
        def start_m
          speed =
            @conditions.wind.groundspeed_kt(@course_deg, @conditions.atmosphere.true_speed(@start_ias_kt)) *
            Quantities::KT
          length = (@profile.start_height_ft - @profile.end_height_ft) * Quantities::FT / flown_slope
          length + (SETUP_S * speed)
        end
      end
    end
  end
end
