# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # One way of reaching the spot as a reduced model: entry, turns and flare are flown once as planned and once with
      # each deviation on either side; what lies between is on parabolas through them, and deviations add up.
      class OptionRoute
        Q = Quantities
        # Deviations at which sinks are worked out.
        SPEED_STEPS_KT = [-18.0, -9.0, 0.0, 9.0, 18.0].freeze
        ROTOR_STEPS_PCT = [-8.0, 0.0, 8.0].freeze
        # Deviations at which entry, turns and flare are flown.
        FLOWN_STEPS = { speed_kt: 8.0, bank_deg: 8.0, rotor_pct: 4.0, height_ft: 20.0, headwind_kt: 4.0 }.freeze
        # Slowest glide and rotor rpm the steady model is asked for.
        LEAST_SPEED_KT = 20.0
        LEAST_ROTOR_PCT = 84.0

        # @param plan [Autorotation::Plan] that flies this option
        # @param delay_s [Float] level flight before the entry
        # @raise [OutsideModel]
        def initialize(plan, conditions, course_deg:, delay_s: 0.0)
          @plan = plan
          @parts = plan.parts
          @targets = plan.targets
          @trim = conditions.trim
          @track_deg = course_deg - @parts.turns_deg.sum
          @level_m =
            conditions.wind.groundspeed_kt(@track_deg, conditions.atmosphere.true_speed(@targets['entry_speed_kt'])) *
            Q::KT * delay_s
          @stars = {}
          begun(0.0, 0.0, 0.0, 0.0)
          flared(0.0, 0.0, 0.0)
        end

        def speed_kt = @targets['glide_speed_kt']

        # Relative track of the entry, radians from the final course.
        def track = -@parts.turns_deg.sum * Q::DEG

        # Level flight before the entry, metres over the ground along its track.
        attr_reader :level_m

        # The final glide over the ground, metres: at this option's pace, and the legs that win the house's back.
        # @param left_m [Float] height, less than none for what is not flown of the settling
        # @param speed_kt [Float] and @param rotor_pct [Float] deviations
        # @yield [kt] ground speed along the course, m/s, of an airspeed
        def final_glide_m(left_m, speed_kt, rotor_pct)
          ends = @parts.restored
          paced_m = [left_m - ends.sum(&:height_m), [left_m, 0.0].min].max
          (paced_m / sink(speed_kt, rotor_pct) * yield([self.speed_kt + speed_kt, 0.0].max)) +
            ends.sum { |leg| leg.seconds * yield([leg.speed_kt + speed_kt, 0.0].max) }
        end

        # From power loss to the final glide. Rotor rpm held higher or lower sinks as much more or less as in the glide.
        # @return [Taken] with deviations of speed, rotor rpm, bank and headwind
        def begun(speed_kt, rotor_pct, bank_deg, headwind_kt)
          turning = @parts.turns_deg.empty? ? {} : { bank_deg: bank_deg, headwind_kt: headwind_kt }
          taken = star(:begun, speed_kt: speed_kt, **turning)
          taken.with(height_m: taken.height_m * sink(speed_kt, rotor_pct) / sink(speed_kt, 0.0))
        end

        # From the flare's beginning to the end.
        # @return [Taken] with deviations of speed, rotor rpm and flare height
        def flared(speed_kt, rotor_pct, height_ft) =
          star(:flared, speed_kt: speed_kt, rotor_pct: rotor_pct, height_ft: height_ft)

        private

        def target_pct = @targets['target_rotor_rpm_pct']

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
          across = Lagrange.weights(ROTOR_STEPS_PCT, rotor_pct)
          Lagrange.weights(SPEED_STEPS_KT, speed_kt).sum { |i, u| u * across.sum { |j, v| v * @sinks[i][j] } }
        end

        FIELDS = %i[along_m across_m seconds height_m lined_up_s].freeze
        private_constant :FIELDS

        # The plan's part as flown, and what each deviation alone changes of it.
        def star(part, deviations)
          base = flown(part, nil, 0.0)
          sums = FIELDS.map { |field| base.public_send(field) }
          deviations.each do |name, value|
            next if value.zero?

            step = FLOWN_STEPS.fetch(name)
            ends = [flown(part, name, -step), base, flown(part, name, step)]
            Lagrange.weights([-step, 0.0, step], value).each do |i, weight|
              FIELDS.each_with_index { |f, k| sums[k] += weight * (ends[i].public_send(f) - base.public_send(f)) }
            end
          end
          Taken.new(**FIELDS.zip(sums).to_h)
        end

        def flown(part, name, value) =
          @stars[[part, name,
                  value]] ||= part == :begun ? @plan.begun(**of(name, value)) : @plan.flared(**of(name, value))

        def of(name, value) = name ? { name => value } : {}
      end
    end
  end
end
