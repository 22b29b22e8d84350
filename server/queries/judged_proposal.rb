# frozen_string_literal: true

module Fujin
  # A stored proposal held to what the student had in hand: in a part-task only the measures of that control are judged, and
  # grades, faults and criticals follow from those.
  class JudgedProposal
    def initialize(proposal, task)
      @proposal = proposal
      @task = task
    end

    # @return [Hash] as stored, narrowed
    def to_h
      return @proposal if @task == 'whole'

      phases = @proposal['phases'].map { |phase| narrowed(phase) }
      faults = (@proposal['fault_details'] || []).select { |fault| (fault['measures'] || []).any? { |id| theirs?(id) } }
      @proposal.merge('measures' => measures, 'phases' => phases, 'fault_details' => faults, 'faults' => faults.map { |f| f['id'] }, 'first_fault' => faults.first&.fetch('id'),
                      'overall' => phases.filter_map { |phase| phase['grade'] }.min, 'critical' => phases.any? { |phase| phase['critical'] })
    end

    private

    def theirs?(id) = Grading::PartTask.judges?(@task, id)

    # The others are shown all the same, without a verdict.
    def measures
      @measures ||= @proposal['measures'].to_h { |id, m| [id, theirs?(id) || m['verdict'] == 'not_recorded' ? m : m.merge('verdict' => nil, 'critical' => false, 'too_close' => false)] }
    end

    def narrowed(phase)
      judged = measures.select { |_, m| m['phase'] == phase['id'] && Grading::Standard::VERDICTS.include?(m['verdict']) }
      id, driver = judged.min_by { |_, m| m['critical'] ? 0 : Grading::Grader::RANK.fetch(m['verdict']) }
      grade = driver && (driver['critical'] ? 1 : Grading::Grader::RANK.fetch(driver['verdict']))
      phase.merge('grade' => grade, 'driver' => id, 'critical' => judged.any? { |_, m| m['critical'] })
    end
  end
end
