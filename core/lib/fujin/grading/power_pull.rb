# frozen_string_literal: true

module Fujin
  module Grading
    # The power that stops an approach or an autorotation, and whether the tail rotor was exposed while it was on: peak
    # and quickest rise in percent of the engine's limit, and seconds at high power and low airspeed with the air from
    # a loss-of-tail-rotor-effectiveness sector. For takers that include Measuring.
    module PowerPull
      RISE_OVER_S = 1.0
      NO_RPM = 'without a rotor or engine speed the power is not known from one second to the next'

      private

      def take_power_pull(phase_id, from, to)
        values = power_pct(from, to)
        put('power_peak_pct', phase_id, values&.compact&.max)
        put('power_rise_pct_s', phase_id, values && quickest_rise(values), reason: NO_RPM)
        put(
          'lte_exposure_s',
          phase_id,
          exposure_s(values, from, to),
          reason: 'the wind is not known: nothing can be said of the tail rotor'
        )
      end

      # @return [Array<Float, nil>, nil] by sample
      def power_pct(from, to)
        power = EnginePower.new(signals, context)
        power.recorded? ? (signals.index(from)..signals.index(to)).map { |i| power.pct(i) } : nil
      end

      def quickest_rise(values)
        return nil unless signals.signal?(:ne) || signals.signal?(:nr)

        apart = [signals.samples(RISE_OVER_S), 1].max
        rises =
          values.each_cons(apart + 1).filter_map { |window| window.last - window.first if window.first && window.last }
        rises.empty? ? nil : [rises.max / (apart * signals.step_s), 0.0].max
      end

      def exposure_s(values, from, to)
        return nil unless signals.wind && values && %i[gs track heading].all? { |name| signals.signal?(name) }

        (signals.index(from)..signals.index(to)).each_with_index.count do |i, k|
          values[k].to_f > Aircraft::TailRotor::HIGH_POWER_PCT && exposed?(i)
        end * signals.step_s
      end

      def exposed?(index)
        north, east = air(index)
        speed = Math.hypot(north, east) / Quantities::KT
        Aircraft::TailRotor::AIRSPEED_KT.cover?(speed) &&
          Aircraft::TailRotor.disturbed?(
            context.type,
            (Math.atan2(east, north) / Quantities::DEG) - signals[:heading][index]
          )
      end
    end
  end
end
