# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # From lift-off to a height at full power: close to the ground until the climb speed is there, then the climb that
      # full power gives. What full power climbs with at a speed, w, it speeds up with instead: dV/dt = g·w/V (energy:
      # m·V·dV/dt is the power that is left over).
      class ClimbOut
        Q = Quantities
        # Time and distance from lift-off.
        Moment = Value.define(:t_s, :distance_m, :height_m, :ias_kt, :ground_m_s, :climb_m_s)
        STEP_S = 0.1
        LONGEST_S = 180.0
        # The skimming height while the speed grows: a wheel clear of the grass, m.
        SKIM_M = 1.0

        # @param climb [#call] kt equivalent -> steady climb at full power, m/s
        # @param groundspeed [#call] kt equivalent -> m/s over the ground
        def initialize(conditions, climb:, groundspeed:, lift_off_kt:, climb_kt:)
          @atmosphere = conditions.atmosphere
          @climb_kt = climb_kt
          @lift_off_kt = [lift_off_kt, climb_kt].min
          @slow = climb.call(@lift_off_kt)
          @fast = climb.call(climb_kt)
          @groundspeed = groundspeed
        end

        # @return [Array<Moment>] until the height is reached
        # @raise [OutsideModel] when full power does not climb, or the wind leaves no way over the ground
        def to(height_m)
          unless [@slow, @fast].min.positive?
            raise OutsideModel, Text.of('full power does not climb at %{lift_off_kt} kt today',
                                        lift_off_kt: @lift_off_kt.round)
          end
          unless @groundspeed.call(@climb_kt).positive?
            raise OutsideModel, Text.of('the wind is as strong as the climb speed of %{climb_kt} kt',
                                        climb_kt: @climb_kt.round)
          end

          moments = [Moment.new(t_s: 0.0, distance_m: 0.0, height_m: 0.0, ias_kt: @lift_off_kt,
                                ground_m_s: @groundspeed.call(@lift_off_kt), climb_m_s: 0.0)]
          moments << after(moments.last) until moments.last.height_m >= height_m || moments.last.t_s > LONGEST_S
          moments
        end

        private

        def after(last)
          speeding = last.ias_kt < @climb_kt - 1e-6
          climb = surplus(last.ias_kt)
          up = speeding ? [climb / 2.0, (SKIM_M - last.height_m) / STEP_S].min : climb
          kt = speeding ? faster(last.ias_kt, climb - up) : @climb_kt
          ground = [@groundspeed.call(kt), 0.0].max
          Moment.new(t_s: last.t_s + STEP_S, distance_m: last.distance_m + ((last.ground_m_s + ground) / 2.0 * STEP_S),
                     height_m: last.height_m + (up * STEP_S), ias_kt: kt, ground_m_s: ground, climb_m_s: up)
        end

        # Steady climb between lift-off and climb speed, a straight line.
        def surplus(speed_kt)
          return @fast if @climb_kt - @lift_off_kt < 1e-6

          @slow + ((@fast - @slow) * (speed_kt - @lift_off_kt) / (@climb_kt - @lift_off_kt))
        end

        def faster(speed_kt, left_over_m_s)
          speed = @atmosphere.true_speed(speed_kt * Q::KT)
          grown = speed + (Q::G * left_over_m_s / speed * STEP_S)
          [@atmosphere.equivalent_speed(grown) / Q::KT, @climb_kt].min
        end
      end
    end
  end
end
