# frozen_string_literal: true

module Fujin
  # A stored proposal held to what the student had in hand: in a part-task only the measures of that control are
  # judged, and grades, faults and criticals follow from those.
  class JudgedProposal
    def initialize(proposal, task)
      @proposal = proposal
      @task = task
    end

    # @return [Hash] as stored, narrowed
    def to_h
      return @proposal if @task == 'whole'

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
    def theirs?(id) = Grading::PartTask.judges?(@task, id)

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
                m.merge('verdict' => nil, 'critical' => false, 'too_close' => false)
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
