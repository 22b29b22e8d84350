# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # Away under all the power there is, flown by the model along a line: rotor rpm held at the house's floor by the
      # collective, the nose no lower than ten degrees until the speed is there. Speeds along the line; the wind's part
      # along it may change on the way (a bend, a lee).
      class ClimbAway
        Q = Quantities
        STEP_S = 0.1
        LONGEST_S = 60.0
        # Rotor rpm is not let below 98 %: the hand aims a little over it.
        ROTOR_PCT = 98.1
        # Gains fitted to the shipped types: rpm within half a point of what is aimed for, no swing. Radians a second of
        # collective for each point of rpm, and for each point a second.
        ROTOR_GAIN = 0.1
        ROTOR_DAMPING = 0.04
        PULL_RAD_S = 0.10
        NOSE_DOWN_RAD = 10.0 * Q::DEG
        NOSE_UP_RAD = 12.0 * Q::DEG
        # Where it begins: metres along the line, height over the spot's ground, airspeed, sink.
        State = Value.define(:along_m, :height_m, :ias_kt, :sink_m_s)
        Point = Value.define(:t_s, :along_m, :height_m, :ias_kt, :climb_m_s, :rotor_pct)

        # @param conditions [Planning::Conditions] with what the power check has shown
        # @param headwind [#call] along m, height m -> kt
        def initialize(conditions, speed_kt:, headwind:, step_s: STEP_S)
          @conditions = conditions
          @speed_kt = speed_kt
          @headwind = headwind
          @step_s = step_s
        end

        # @yield [Point] flown until the block says it is enough, or a minute
        # @return [Array<Point>]
        # @raise [OutsideModel]
        def fly(state)
          start(state)
          points = [point]
          until @model.time_s >= LONGEST_S || @model.on_ground || yield(points.last)
            @model.step(controls, @step_s)
            points << point
          end
          points
        end

        private

        def start(state)
          @from_m = state.along_m
          @model = Flight::Model.on(@conditions, wind: method(:wind))
          @model.start(height_m: [state.height_m, 0.1].max, speed_kt: state.ias_kt, course_rad: 0.0,
                       sink_m_s: state.sink_m_s, powered: true)
          @collective = @model.collective
          @rotor = @model.rotor_pct
          @climb_pitch = @conditions.trim.at(@speed_kt, 0.0).disc_pitch_rad
          @air = nil
        end

        def along_m = @from_m + (@model.position&.first || 0.0)

        # The line runs north: what comes along it is the north wind.
        def wind(height_m, _time_s) = [-@headwind.call(along_m, height_m) * Q::KT, 0.0]

        def air_m_s = @model.velocity[0] - @model.wind_here[0]

        def controls
          air = air_m_s
          acceleration = @air ? (air - @air) / @step_s : 0.0
          @air = air
          Flight::Controls.new(pitch(air, acceleration), 0.0, pulled, @model.torque_share, 0.0, true)
        end

        def pitch(air, acceleration)
          wanted = @conditions.atmosphere.true_speed(@speed_kt * Q::KT)
          (@climb_pitch + (Flight::Piloting::SPEED_GAIN * (air - wanted)) +
            (Flight::Piloting::SPEED_DAMPING * acceleration)).clamp(-NOSE_DOWN_RAD, NOSE_UP_RAD)
        end

        def pulled
          rotor = @model.rotor_pct
          rate = (ROTOR_GAIN * (rotor - ROTOR_PCT)) + (ROTOR_DAMPING * (rotor - @rotor) / @step_s)
          @rotor = rotor
          @collective = (@collective + (rate.clamp(-PULL_RAD_S, PULL_RAD_S) * @step_s))
            .clamp(@model.rotor.collective_min, @model.rotor.collective_max)
        end

        def point
          speed = @conditions.atmosphere.equivalent_speed([air_m_s, 0.0].max) / Q::KT
          Point.new(t_s: @model.time_s, along_m: along_m, height_m: @model.position[2], ias_kt: speed,
                    climb_m_s: @model.velocity[2], rotor_pct: @model.rotor_pct)
        end
      end
    end
  end
end
