# frozen_string_literal: true

module Fujin
  module Live
    # The gates of an exercise's plan as they come: said ahead of time, and once each is passed on the way down whether
    # its numbers are in.
    class GateWatch
      AHEAD_S = 4.0
      SAID_S = 8.0
      # The call stays for so long.
      CALLED_S = 6.0
      UNSEEN = 'the height was not sent as it was passed'
      # Words of the numbers that are out.
      NAMES = {
        'rotor_rpm_pct' => ['rotor rpm', '%'], 'ias_kt' => %w[airspeed kt], 'groundspeed_kt' => ['ground speed', 'kt'],
        'sink_fpm' => %w[sink ft/min]
      }.freeze
      # What a miss means where the exercise says nothing else.
      AROUND = { glide: 'Go around: throttle, then collective', power: 'Go around: power, level attitude, speed',
                 gyroplane: 'Go around: full power, speed first' }.freeze

      # @param exercise [Lessons::Exercise] that is flown
      def initialize(exercise)
        @context = exercise.context
        @manoeuvre = exercise.declaration
        planned = exercise.plan&.gates || []
        @gates = downward? ? planned.select { |one| one.height_ft.positive? }.sort_by { |one| -one.height_ft } : []
      end

      # @param t_s [Float], @param values [Hash{String => Float}] of Instruments, @param phase [String]
      # @return [GateCall, nil]
      def take(t_s, values, phase)
        height = values['height_ft']
        unseen = @unseen
        @unseen = height.nil?
        return standing(t_s) if height.nil?

        passed = passed(@height, height)
        @height = height
        call(t_s, unseen ? called(passed, 'not_recorded', [UNSEEN]) : judged(passed, values, phase)) if passed
        standing(t_s) || (@ahead = ahead(height, values['sink_fpm'], phase))
      end

      # The phase that begins where a gate of its name has been passed.
      # @param phase [String] that goes on
      # @return [String, nil] nil where it is that one or an earlier one
      def begun(phase)
        gate = @gates.reverse.find { |one| @height && @height <= one.height_ft && @manoeuvre.phases.include?(one.id) }
        order = @manoeuvre.phases
        gate && order.index(gate.id) > order.index(phase).to_i ? gate.id : nil
      end

      private

      # A take-off's are passed on the way out, by what is felt.
      def downward? = @manoeuvre.course_of != 'take_off'

      # The last of the gates between two heights that calls for a decision.
      def passed(before, height)
        return nil unless before

        @gates.reverse.find { |gate| before > gate.height_ft && height <= gate.height_ft && judged?(gate) }
      end

      # So low there is nothing to be decided any more.
      def judged?(gate) =
        gate.height_ft >= @context.house['gate_minimum_ft'] && (gate.measures.any? || !gate.over.nil?)

      def call(t_s, found)
        @called_s = t_s
        @call = found
      end

      def standing(t_s) = @called_s && t_s - @called_s < CALLED_S ? @call : nil

      # The next one on the way down that has something to be said; once said it is not unsaid at once.
      def ahead(height, sink, phase)
        gate = @gates.find { |one| one.height_ft < height && (one.over.nil? || one.over == phase) } or return nil
        seconds = sink&.positive? ? (height - gate.height_ft) / sink * 60.0 : nil
        return nil unless seconds && seconds <= (@ahead ? SAID_S : AHEAD_S)

        GateCall.new(call: 'ahead', title: gate.title, height_ft: gate.height_ft, seconds: seconds,
                     over: gate.over)
      end

      def judged(gate, values, phase)
        held = gate.measures.filter_map { |id, band| reading_of(id)&.then { |name| [name, band] } }.to_h
        out = held.filter_map { |name, band| out_of(name, values[name], band) }
        out << Text.of('still in the %{over}', over: gate.over) if gate.over == phase
        missing = held.keys.reject { |name| values.key?(name) }.map do |name|
          Text.of('%{names} is not sent', names: NAMES[name][0])
        end
        return called(gate, 'go_around', out, around) if out.any?

        missing.empty? ? called(gate, 'continue', []) : called(gate, 'not_recorded', missing)
      end

      def reading_of(id) = NAMES.keys.find { |name| id.end_with?(name) }

      def called(gate, call, reasons, say = nil) =
        GateCall.new(call: call, title: gate.title, height_ft: gate.height_ft, reasons: reasons.freeze, say: say,
                     over: gate.over)

      def around
        return @manoeuvre.missed_gate if @manoeuvre.missed_gate
        return AROUND[:glide] if @manoeuvre.power_off

        AROUND[@context.type.helicopter? ? :power : :gyroplane]
      end

      def out_of(name, value, band)
        low, high = band.values_at(:low, :high)
        return nil if value.nil? || ((low.nil? || value >= low) && (high.nil? || value <= high))

        word, unit = NAMES.fetch(name)
        Text.of('%{word} %{value} %{unit}, %{low} to %{high}',
                word: word, value: value.round, unit: unit, low: low&.round || 'any', high: high&.round || 'any')
      end
    end
  end
end
