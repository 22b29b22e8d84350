# frozen_string_literal: true

module Fujin
  # Kind and boundaries of an attempt as an instructor sets them: an attempt cut anew, or one added that was not found.
  class RecutAttempt
    # @param sortie [Sortie], @param recording [RecordingRow]
    def initialize(sortie, recording, by:)
      @setting = SortieSetting.new(sortie)
      @recording = recording
      @by = by
    end

    # @return [AttemptRow] with its measures taken again; grades that were given stay
    def change(attempt, manoeuvre, phases)
      events = attempt.manoeuvre == manoeuvre ? attempt.proposal['events'].transform_keys(&:to_sym) : {}
      attempt.update!(fields(manoeuvre, phases, events: events, result: attempt.proposal['result'].to_sym))
      attempt
    end

    # @return [AttemptRow] the one with this id, made once
    def add(id, manoeuvre, phases)
      AttemptRow.find_by(id: id) ||
        AttemptRow.create!(
          id: id,
          sortie: @setting.stored,
          recording: @recording,
          position: @recording.attempts.maximum(:position).to_i + 1,
          **fields(manoeuvre, phases)
        )
    end

    private

    def fields(manoeuvre, phases, **known)
      signals = StoredSignals.of(@recording, @setting)
      context = @setting.grading_context
      proposal = Grading::Recut.new(signals, context).propose(manoeuvre, phases, **known)
      {
        manoeuvre: manoeuvre,
        start_s: proposal.attempt.start_s,
        end_s: proposal.attempt.end_s,
        proposal: Serialisers.proposal(proposal, @setting.type).merge('cut_by' => @by.name),
        path: FlownPath.new(signals, proposal, context.spot).points
      }
    end
  end
end
