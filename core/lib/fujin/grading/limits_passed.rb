# frozen_string_literal: true

module Fujin
  module Grading
    # Limits of the aircraft that were passed, critical in every manoeuvre: rotor or engine overspeed, a rotor too slow
    # in the air, power over the red line, what the standard calls critical. For fault finders that include
    # FaultFinding.
    module LimitsPassed
      AIRBORNE_FT = 2.0
      # A limit passed for less is a reading, not a fact.
      ROTOR_HELD_S = 0.3
      POWER_HELD_S = 2.0
      # Of the limit: more than a power instrument's error.
      POWER_ROOM_PCT = 4.0

      private

      # @return [FoundFault, nil] of all that were passed: the standard's own, and the aircraft's, each said once
      def exceeded_limit
        critical = @measures.values.select { |m| m.critical && !m.gate? }
        told = critical.reject { |m| m.id == 'recovery_min_height_ft' && @attempt.touched_in_recovery?(@signals) }
        said = ->(word) { critical.any? { |m| m.id.include?(word) } }
        passed = [
          *told.map { |m| [passed_words(m), @attempt.start_s, @attempt.end_s] },
          unplanned_contact,
          (rotor_passed unless said.call('rotor_rpm')),
          engine_passed,
          power_passed
        ].compact
        return nil if passed.empty?

        found(
          'exceeded_limit',
          passed.map(&:first).join('; '),
          critical.map(&:id),
          from: passed.map { |_, from, _| from }.min,
          to: passed.map(&:last).max
        )
      end

      def passed_words(measure) =
        if measure.id == 'contact_sink_fpm'
          Text.of('%{measure}: inspect the landing gear', measure: in_words(measure))
        else
          in_words(measure)
        end

      # Too fast anywhere, too slow only in the air.
      def rotor_passed
        low, high = @context.type.absolute_rotor_rpm
        nr = @signals[:nr] or return nil
        run = longest(samples, ROTOR_HELD_S) { |i| nr[i] > high || (nr[i] < low && airborne?(i)) } or return nil
        off = run.map { |i| nr[i] }.max_by { |v| (v - 100.0).abs }
        [Text.of('rotor rpm %{off} %, %{low} to %{high} % at any time',
                 off: off.round(1), low: low, high: high), *span(run)]
      end

      def engine_passed
        high = @context.type.absolute_rotor_rpm[1]
        ne = @signals[:ne] or return nil
        run = longest(samples, ROTOR_HELD_S) { |i| ne[i] > high } or return nil
        [Text.of('engine rpm %{run} %, %{high} % at any time',
                 run: run.map { |i| ne[i] }.max.round(1), high: high), *span(run)]
      end

      def power_passed
        power = EnginePower.new(@signals, @context)
        return nil unless power.recorded?

        run = longest(samples, POWER_HELD_S) { |i| power.pct(i).to_f > 100.0 + POWER_ROOM_PCT } or return nil
        [Text.of("power %{run} % of the engine's limit", run: run.map { |i| power.pct(i) }.max.round), *span(run)]
      end

      def unplanned_contact
        return nil unless @attempt.touched_in_recovery?(@signals)

        at = @attempt.event(:contact_s)
        ['touched the ground in a power recovery', at, at]
      end

      def span(run) = [@signals.time(run.first), @signals.time(run.last)]
      def airborne?(index) = @signals.signal?(:agl) && @signals[:agl][index] - @signals.agl_zero_ft > AIRBORNE_FT
    end
  end
end
