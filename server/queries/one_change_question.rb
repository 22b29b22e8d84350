# frozen_string_literal: true

module Fujin
  # What one change would have done to a stored attempt (Grading::OneChange), as the API tells it.
  class OneChangeQuestion
    def initialize(attempt)
      @attempt = attempt
      @setting = SortieSetting.of(attempt)
    end

    # @return [Hash] the API's OneChange
    # @raise [Conflict] when there is no fault to mend
    def to_h
      fault = @attempt.proposal['first_fault'] or
        raise Conflict, 'No fault is named in this attempt: there is nothing to mend.'
      context = @setting.context_of(@attempt)
      answer = Grading::OneChange.new(signals, proposal(context), context, fault).answer
      values = @attempt.proposal['measures'].transform_values { |measure| measure['value'] }
      Serialisers.one_change(answer, @attempt.declaration, values).merge(
        'fitted' => flown(answer.fitted, context),
        'mended' => flown(answer.mended, context)
      )
    end

    private

    def signals = @signals ||= StoredSignals.of(@attempt.recording, @setting)

    # As a person cut it, or as it was found.
    def proposal(context)
      stored = @attempt.proposal
      if stored['cut_by']
        return (
          Grading::Recut.new(signals, context).propose(
            @attempt.manoeuvre,
            stored['phases'],
            events: stored['events'].transform_keys(&:to_sym),
            result: stored['result'].to_sym
          )
        )
      end

      Grading::Grader.new(signals, context).proposals.min_by { |found| (found.attempt.start_s - @attempt.start_s).abs }
    end

    def flown(flight, context)
      return nil unless flight&.proposal

      path = FlownPath.new(flight.signals, flight.proposal, context.spot || [0.0, 0.0]).points
      { 'path' => path, 'ledger' => DebriefPictures.ledger(path, @setting.conditions) }
    end
  end
end
