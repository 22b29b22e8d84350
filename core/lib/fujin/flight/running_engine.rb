# frozen_string_literal: true

module Fujin
  module Flight
    # The engine as it runs: its power under the governor, run down or pushing a propeller, and its own speed beside the
    # rotor's, from which the freewheel lets it fall behind (docs/reference/flight-model.md, 'Engine').
    class RunningEngine
      CLOSED_S = 0.15

      # Chosen: the correlation of throttle with collective, and a governor that holds rotor rpm within a point in
      # steady flight and droops by two to four when power is pulled quickly.
      FLAT_SHARE = 0.2
      COLLECTIVE_SHARE = 0.6
      GOVERNOR_GAIN = 8.0
      GOVERNOR_INTEGRAL = 3.0
      GOVERNOR_SHARE = 0.8
      # Chosen: power grows with speed up to here; needles this near are joined; an opened throttle takes the engine
      # towards this much of the rotor's speed.
      FASTEST = 1.08
      JOINED = 0.005
      CATCHING_UP = 1.1

      attr_reader :power_w, :fraction

      # @param engine [Engine]
      def initialize(engine)
        @engine = engine
        @power_w = @governor = 0.0
        @fraction = 1.0
      end

      # @param fraction [Float] engine speed over normal, @param collective_share [Float] of the lever's travel
      def start(power_w, fraction:, collective_share:)
        @power_w = power_w
        @fraction = fraction
        follow(collective_share)
      end

      # A step with the rotor driven through the freewheel.
      # @param rotor_fraction [Float] rotor speed over normal
      def drive(throttle_open, rotor_fraction, collective_share, dt)
        return govern(rotor_fraction, collective_share, dt) if throttle_open && @fraction >= rotor_fraction - JOINED

        @power_w *= Math.exp(-dt / CLOSED_S)
        target = throttle_open ? rotor_fraction * CATCHING_UP : @engine.idle_fraction
        @fraction = [Lag.follow(@fraction, target, dt, @engine.spool_s), rotor_fraction].min
        follow(collective_share)
      end

      # A step of a gyroplane's engine, which drives only the propeller.
      # @param power_share [Float] of the power there is
      def push(power_share, dt)
        approach(@engine.max_power_w * power_share, dt)
        @fraction = @engine.idle_fraction + ((1.0 - @engine.idle_fraction) * @power_w / @engine.max_power_w)
      end

      private

      # The governor takes over from the power there is, without a jump.
      def follow(collective_share)
        @governor = (@power_w / @engine.max_power_w) - FLAT_SHARE - (COLLECTIVE_SHARE * collective_share)
      end

      def govern(rotor_fraction, collective_share, dt)
        error = 1.0 - rotor_fraction
        @fraction = rotor_fraction
        @governor = (@governor + (GOVERNOR_INTEGRAL * error * dt)).clamp(-GOVERNOR_SHARE, GOVERNOR_SHARE)
        share = FLAT_SHARE + (COLLECTIVE_SHARE * collective_share) + (GOVERNOR_GAIN * error) + @governor
        approach(@engine.max_power_w * [FASTEST, rotor_fraction].min * share.clamp(0.0, 1.0), dt)
      end

      def approach(wanted_w, dt)
        @power_w = Lag.follow(@power_w, wanted_w, dt, @engine.lag_s)
      end
    end
  end
end
