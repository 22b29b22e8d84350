# frozen_string_literal: true

module Fujin
  module Grading
    # An attempt whose kind and boundaries a person has set: measured and graded again within them.
    class Recut
      # Contact is looked for this near to where touchdown was put.
      NEAR_S = 2.0
      HOVER_S = 5.0

      # @param signals [Recordings::Signals], @param context [Context]
      # @param ranges [Boolean] as Grader has it
      def initialize(signals, context, ranges: true)
        @ranges = ranges
        @signals = signals
        @context = context
      end

      # @param phases [Array<Hash>] `{'id' =>, 'start_s' =>, 'end_s' =>}` in recording time, in order
      #   a boundary that nobody set may be `'estimated' => true`, as may the attempt
      # @param events [Hash{Symbol => Float}] moments found before, kept unless a boundary says otherwise
      # @return [Proposal]
      # @raise [UnknownName, InvalidInput] naming the phase
      def propose(manoeuvre_id, phases, events: {}, result: :completed, estimated: false)
        manoeuvre = @context.catalogue.find(manoeuvre_id)
        problems = problems(manoeuvre, phases)
        raise InvalidInput, problems unless problems.empty?

        cut = phases.map { |phase| phase_of(phase) }
        attempt =
          Attempt.new(
            manoeuvre: manoeuvre_id,
            start_s: cut.first.start_s,
            end_s: finish(cut.last),
            phases: cut.freeze,
            events: events(cut, events).freeze,
            result: result,
            estimated: estimated
          )
        Grader.new(@signals, @context, ranges: @ranges).propose(manoeuvre, attempt)
      end

      private

      def phase_of(fields) =
        Phase.new(id: fields['id'], start_s: fields['start_s'].to_f, end_s: fields['end_s'].to_f,
                  estimated: fields.fetch('estimated', false))

      def problems(manoeuvre, phases)
        unless manoeuvre.recorded?
          return [{ path: 'manoeuvre', message: Text.of('%{manoeuvre} is not measured in recordings yet',
                                                        manoeuvre: manoeuvre.title) }]
        end
        return [{ path: 'phases', message: 'expected at least one phase' }] if phases.empty?

        phases.each_with_index.filter_map do |phase, i|
          message = wrong(manoeuvre, phase, i.zero? ? nil : phases[i - 1])
          { path: phase['id'].to_s, message: message } if message
        end
      end

      def wrong(manoeuvre, phase, before)
        unless manoeuvre.phases.include?(phase['id'])
          return Text.of('%{manoeuvre} has the phases %{phases}',
                         manoeuvre: manoeuvre.title, phases: manoeuvre.phases.join(', '))
        end

        from, to = phase.values_at('start_s', 'end_s')
        return 'expected its start before its end' unless from < to
        unless from >= @signals.start_s - 0.01 && to <= @signals.end_s + 0.01
          return Text.of('expected times inside the recording, %{start_s} to %{end_s} s',
                         start_s: @signals.start_s.round(1), end_s: @signals.end_s.round(1))
        end

        if before && from < before['end_s'] - 0.01
          Text.of('expected it to begin after %{before} ended', before: before['id'])
        end
      end

      # The hover after a recovery is looked at for as long as the finder would.
      def finish(last) = last.id == 'recovery' ? [last.end_s + HOVER_S, @signals.end_s].min : last.end_s

      # The moments that the boundaries stand for.
      def events(cut, found)
        at = ->(id) { cut.find { |phase| phase.id == id } }
        first = cut.first
        set = {
          closure_s: (first.start_s if first.id == 'entry'),
          level_s: at['flare']&.end_s,
          stopped_s: at['termination']&.start_s,
          corrected_s: (at['recovery']&.start_s if first.id == 'decay'),
          hovered_ft: (hovered(first.start_s) if at['settle'])
        }
        found.except(:gate_s, :contact_s).merge(set.compact, contact(at['touchdown']&.start_s))
      end

      def hovered(time_s) = @signals.signal?(:agl) ? @signals.at(:agl, time_s) - @signals.agl_zero_ft : nil

      def contact(time_s)
        return {} unless time_s

        contact = Contact.find(@signals, time_s - NEAR_S, time_s + NEAR_S)
        unless contact
          raise InvalidInput,
                [
                  {
                    path: 'touchdown',
                    message: Text.of('no contact with the ground is recorded within %{near_s} s of it',
                                     near_s: NEAR_S.round)
                  }
                ]
        end

        { contact_s: time_s, contact: contact }
      end
    end
  end
end
