# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # One way of reaching the spot as a reduced model: what its entry, turns and flare take is worked out once from a
      # plan's parts, and what another speed, rotor rpm or bank does to it lies on parabolas through a few of each.
      class OptionRoute
        Q = Quantities
        # Deviations at which sinks and turns are worked out.
        SPEED_STEPS_KT = [-18.0, -9.0, 0.0, 9.0, 18.0].freeze
        ROTOR_STEPS_PCT = [-8.0, 0.0, 8.0].freeze
        TURN_STEPS_KT = [-9.0, 0.0, 9.0].freeze
        BANK_STEPS_DEG = [-8.0, 0.0, 8.0].freeze
        # Slowest glide and rotor rpm the steady model is asked for.
        LEAST_SPEED_KT = 20.0
        LEAST_ROTOR_PCT = 84.0
        LEAST_BANK_DEG = 5.0

        # What the turns take: metres along and across the final course, seconds, metres of height.
        Turned = Value.define(:along_m, :across_m, :seconds, :height_m)

        # @param plan [Autorotation::Plan] that flies this option
        # @param delay_s [Float] level flight before the entry
        # @raise [OutsideModel]
        def initialize(plan, conditions, course_deg:, delay_s: 0.0)
          @parts = plan.parts
          @targets = plan.targets
          @conditions = conditions
          @course_deg = course_deg
          @trim = conditions.trim
          @straight = sequence(0.0, 0.0)
          @track = @straight.tracks.first
          @entry_m = flown_over(@parts.entry, @track) + (@straight.ground_speed(@track, entry_speed) * delay_s)
          @flare_m = flown_over(@parts.flare, 0.0)
        end

        def speed_kt = @targets['glide_speed_kt']
        def established_s = @parts.established_s
        def carried_m = @parts.carried_m
        def entry_height_m = @parts.entry.height_lost_m
        attr_reader :flare_m

        # Relative track of the entry, radians from the final course.
        attr_reader :track

        # Ground covered along the first track before the turns, metres, at a glide speed (true, m/s).
        def before_turns_m(true_speed) = @entry_m + (@straight.ground_speed(@track, true_speed) * established_s)

        # Seconds in which a wind other than expected carries the aircraft besides the final glide.
        def other_s(turned) = @parts.entry.duration_s + established_s + turned.seconds + @parts.flare.duration_s

        # @return [Float] steady sink with deviations of speed and rotor rpm, m/s
        def sink(speed_kt, rotor_pct)
          @sinks ||=
            SPEED_STEPS_KT.map do |kt|
              ROTOR_STEPS_PCT.map do |pct|
                @trim.autorotation_sink_m_s(
                  [self.speed_kt + kt, LEAST_SPEED_KT].max,
                  rotor_pct: [target_pct + pct, LEAST_ROTOR_PCT].max
                )
              end
            end
          across = weights(ROTOR_STEPS_PCT, rotor_pct)
          weights(SPEED_STEPS_KT, speed_kt).sum { |i, u| u * across.sum { |j, v| v * @sinks[i][j] } }
        end

        # @return [Turned] with deviations of speed, rotor rpm and bank
        def turned(speed_kt, rotor_pct, bank_deg)
          return NO_TURN if @parts.turns_deg.empty?

          taken = [0.0, 0.0, 0.0, 0.0]
          banks = weights(BANK_STEPS_DEG, bank_deg)
          weights(TURN_STEPS_KT, speed_kt).each do |i, u|
            banks.each { |j, v| turns[i][j].each_with_index { |value, k| taken[k] += u * v * value } }
          end
          along, across, seconds, height = taken
          Turned.new(
            along_m: along,
            across_m: across,
            seconds: seconds,
            height_m: height * sink(speed_kt, rotor_pct) / sink(speed_kt, 0.0)
          )
        end

        NO_TURN = Turned.new(along_m: 0.0, across_m: 0.0, seconds: 0.0, height_m: 0.0)
        private_constant :NO_TURN

        private

        def target_pct = @targets['target_rotor_rpm_pct']
        def entry_speed = @conditions.atmosphere.true_speed(@targets['entry_speed_kt'] * Q::KT)

        def turns
          @turns ||=
            TURN_STEPS_KT.map do |kt|
              BANK_STEPS_DEG.map do |deg|
                sequence(kt, deg).then { |flown| [*flown.displacement_m, flown.duration_s, flown.height_lost_m] }
              end
            end
        end

        def sequence(speed_kt, bank_deg)
          TurnSequence.new(
            @conditions,
            course_deg: @course_deg,
            trim: @trim,
            speed_kt: [self.speed_kt + speed_kt, LEAST_SPEED_KT].max,
            target_pct: target_pct,
            bank_deg: [@parts.bank_deg + bank_deg, LEAST_BANK_DEG].max,
            turns_deg: @parts.turns_deg
          )
        end

        # A flown segment's ground along a relative track, metres.
        def flown_over(segment, track)
          segment
            .rows
            .each_cons(2)
            .sum { |a, b| @straight.ground_speed(track, (a.air_speed_m_s + b.air_speed_m_s) / 2.0) * (b.t_s - a.t_s) }
        end

        # Lagrange's weights of the three steps nearest to a value, by index.
        def weights(steps, value)
          value = value.clamp(steps.first, steps.last)
          first =
            steps.size == 3 || value < steps[1] ? 0 : [steps.index { |step| step >= value } - 1, steps.size - 3].min
          a = steps[first]
          b = steps[first + 1]
          c = steps[first + 2]
          [
            [first, (value - b) * (value - c) / ((a - b) * (a - c))],
            [first + 1, (value - a) * (value - c) / ((b - a) * (b - c))],
            [first + 2, (value - a) * (value - b) / ((c - a) * (c - b))]
          ]
        end
      end
    end
  end
end
