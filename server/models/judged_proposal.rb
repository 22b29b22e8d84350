# frozen_string_literal: true

module Fujin
  # A stored proposal held to what the student had in hand and to what counts today: in a part-task only the measures
  # of that control are judged, an exercise may leave some out; grades, faults and criticals follow from the rest. What
  # is critical is never left out.
  class JudgedProposal
    # @param not_judged [Array<String>] measures that the exercise leaves out
    def initialize(proposal, task, not_judged = [])
      @proposal = proposal
      @not_judged = not_judged
      @task = task
    end

    # @return [Hash] as stored, narrowed
    def to_h
      return @proposal if @task == 'whole' && @not_judged.empty?

      phases = @proposal['phases'].map { |phase| narrowed(phase) }
      faults = (@proposal['fault_details'] || []).select { |fault| theirs_to_answer?(fault['measures'] || []) }
      @proposal.merge(
        'measures' => measures,
        'phases' => phases,
        'fault_details' => faults,
        'faults' => faults.map { |f| f['id'] },
        'first_fault' => faults.first&.fetch('id'),
        'overall' => phases.filter_map { |phase| phase['grade'] }.min,
        'critical' => phases.any? { |phase| phase['critical'] }
      )
    end

    private

    # A limit passed rests on no measure, and is everybody's.
    def theirs_to_answer?(measures) = measures.empty? || measures.any? { |id| theirs?(id) }
    def theirs?(id) = Grading::PartTask.judges?(@task, id) && !left_out?(id)
    def left_out?(id) = @not_judged.include?(id) && !@proposal['measures'].dig(id, 'critical')

    # The others are shown all the same, without a verdict.
    def measures
      @measures ||=
        @proposal['measures'].to_h do |id, m|
          [
            id,
            (
              if theirs?(id) || m['verdict'] == 'not_recorded'
                m
              else
                m.merge('verdict' => nil, 'critical' => false, 'too_close' => false,
                        **(left_out?(id) ? { 'reason' => 'Not judged today.' } : {}))
              end
            )
          ]
        end
    end

    def narrowed(phase)
      found =
        Grading::Grader.grade(phase['id'], measures.filter_map { |id, m| measure(id, m) if m['phase'] == phase['id'] })
      phase.merge('grade' => found.grade, 'driver' => found.driver, 'critical' => found.critical)
    end

    # As much of a stored measure as grading looks at.
    def measure(id, stored)
      Grading::Measure.new(
        id: id,
        phase: stored['phase'],
        value: stored['value'],
        unit: stored['unit'],
        verdict: stored['verdict'],
        critical: stored['critical']
      )
    end
  end
end
