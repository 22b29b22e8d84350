# frozen_string_literal: true

module Fujin
  module Grading
    # Phases of an attempt as a person cuts them: laid out, split, joined. A phase is
    # `{'id' =>, 'start_s' =>, 'end_s' =>}`, in recording time, in order.
    module Cuts
      # How long an attempt that was added by hand is, until its boundaries are set.
      NEW_S = 10.0

      module_function

      # Phases as another kind of manoeuvre has them: what both have stays where it is and takes in what lay after it;
      # with nothing in common they are laid evenly.
      # @param cuts [Array<Hash>], @param phases [Array<String>] of the other kind
      # @return [Array<Hash>]
      def kept(cuts, phases)
        common = cuts.select { |cut| phases.include?(cut['id']) }
        return spread(phases, cuts.first['start_s'], cuts.last['end_s']) if common.empty?

        starts = [cuts.first['start_s'], *common.drop(1).map { |cut| cut['start_s'] }, cuts.last['end_s']]
        common.zip(starts.each_cons(2)).map { |cut, (from, to)| cut.merge('start_s' => from, 'end_s' => to) }
      end

      # The phases of a kind laid evenly over a stretch: a beginning to move from.
      # @param ids [Array<String>]
      def spread(ids, from_s, to_s)
        each_s = (to_s - from_s) / ids.size
        ids.each_with_index.map do |id, i|
          { 'id' => id, 'start_s' => from_s + (i * each_s), 'end_s' => from_s + ((i + 1) * each_s) }
        end
      end

      # What lies before and after a moment.
      # @return [Array(Array<Hash>, Array<Hash>)]
      # @raise [InvalidInput] when nothing would be left on one side
      def split(phases, at_s)
        unless at_s > phases.first['start_s'] && at_s < phases.last['end_s']
          raise InvalidInput,
                [{ path: 'at_s', message: Text.of('expected a moment inside the attempt, %{from} to %{to} s',
                                                  from: phases.first['start_s'].round(1),
                                                  to: phases.last['end_s'].round(1)) }]
        end

        [phases.select { |phase| phase['start_s'] < at_s }
          .map { |phase| phase.merge('end_s' => [phase['end_s'], at_s].min) },
         phases.select { |phase| phase['end_s'] > at_s }
           .map { |phase| phase.merge('start_s' => [phase['start_s'], at_s].max) }]
      end

      # Two attempts as one: a phase that both have runs on to the later end, and nothing overlaps.
      def join(first, second)
        ends = second.to_h { |phase| [phase['id'], phase['end_s']] }
        ids = first.map { |phase| phase['id'] }
        joined = first.map { |phase| phase.merge('end_s' => ends.fetch(phase['id'], phase['end_s'])) } +
          second.reject { |phase| ids.include?(phase['id']) }
        [nil, *joined].each_cons(2).map { |before, phase| after(before, phase) }
          .select { |phase| phase['end_s'] > phase['start_s'] }
      end

      def after(before, phase)
        before ? phase.merge('start_s' => [phase['start_s'], before['end_s']].max) : phase
      end
      private_class_method :after
    end
  end
end
