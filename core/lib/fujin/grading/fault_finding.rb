# frozen_string_literal: true

module Fujin
  module Grading
    # What every finder of faults shares. The class that includes it has one method a fault, by the fault's own name,
    # which gives a FoundFault or nil; those that the manoeuvre declares are asked in causal order.
    module FaultFinding
      include LimitsPassed

      # @param taker [#signals, #attempt, #context, #manoeuvre, #course_deg, #gate_s] after its measures were taken
      # @param measures [Hash{String => Measure}]
      def initialize(taker, measures)
        @signals = taker.signals
        @attempt = taker.attempt
        @context = taker.context
        @manoeuvre = taker.manoeuvre
        @course_deg = taker.course_deg
        @gate_s = taker.gate_s
        @measures = measures
      end

      # @return [Array<FoundFault>] in the order in which the causes act
      def faults = @manoeuvre.faults.filter_map { |fault| send(fault.id) }

      private

      def measure(id) = @measures[id]
      def value(id) = measure(id)&.value
      # Marginal or out by the standard, with all that the recording leaves open: a reading's error accuses nobody.
      def bad?(id) = measure(id)&.bad? || false
      def bad_low?(id) = bad?(id) && measure(id).under?
      def bad_high?(id) = bad?(id) && !measure(id).under?
      # What the standard lets pass: [low, high], nil where a side is free.
      def allowed(id) = measure(id).band.in

      # A fault that one measure shows by being marginal or out; the block says it of the value.
      def when_bad(fault, id, **span) = bad?(id) ? found(fault, yield(value(id)), [id], **span) : nil

      def entry(id) = Glossary.measure(id, @manoeuvre.id)
      # 'lowest rotor rpm', and '91.2 %' with it.
      def plain(id) = entry(id).label.then { |label| label[0].downcase + label[1..] }
      def figure(id) = Glossary.figure(value(id), entry(id).unit, entry(id).digits)
      def in_words(measure) = "#{plain(measure.id)} #{figure(measure.id)}"

      def found(id, evidence, measures, from: @attempt.start_s, to: @attempt.end_s)
        FoundFault.new(id: id, evidence: evidence, measures: measures, from_s: from, to_s: to)
      end

      def phase_span(id)
        phase = @attempt.phase(id)
        phase ? { from: phase.start_s, to: phase.end_s } : {}
      end

      def samples(from = @attempt.start_s, to = @attempt.end_s) = @signals.index(from)..@signals.index(to)

      # The longest run of samples for which the block holds, when it lasts that long.
      # @return [Array<Integer>, nil]
      def longest(range, least_s, &block)
        run = range.select(&block).slice_when { |a, b| b != a + 1 }.max_by(&:size)
        run if run && run.size * @signals.step_s >= least_s - 1e-9
      end

      def rushed_setup
        return nil unless @context.planned && bad_low?('setup_steady_s')

        steady = value('setup_steady_s')
        begins = @attempt.start_s

        found(
          'rushed_setup',
          Text.of('steady for %{steady} s before it began, %{house} s wanted',
                  steady: steady.round(1), house: @context.house['setup_s']),
          ['setup_steady_s'],
          from: begins - 8.0,
          to: begins
        )
      end

      def out_of_trim
        return nil unless bad?('trim_deg')

        found(
          'out_of_trim',
          Text.of('the nose stood %{trim_deg}° to the %{side} of where it went through the air',
                  trim_deg: value('trim_deg').abs.round, side: value('trim_deg').positive? ? 'right' : 'left'),
          ['trim_deg']
        )
      end
    end
  end
end
