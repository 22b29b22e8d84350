# frozen_string_literal: true

module Fujin
  # What one change would have done to a stored attempt (Grading::OneChange), as the API tells it.
  class OneChangeQuestion
    def initialize(attempt)
      @attempt = attempt
      @setting = SortieSetting.new(attempt.sortie)
    end

    # @return [Hash] the API's OneChange
    # @raise [Conflict] when there is no fault to mend
    def to_h
      fault = @attempt.proposal['first_fault'] or
        raise Conflict, 'No fault is named in this attempt: there is nothing to mend.'
      context = @setting.grading_context
      answer = Grading::OneChange.new(signals, proposal(context), context, fault).answer
      title = @attempt.declaration.fault(fault)&.title
      {
        'fault' => fault,
        'title' => title,
        'claimed' => answer.claimed?,
        'reason' => answer.reason,
        'change' => answer.change,
        'fit' => fit(answer),
        'numbers' => numbers(answer),
        'fitted' => flown(answer.fitted, context),
        'mended' => flown(answer.mended, context)
      }
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

    def fit(answer) = answer.fit&.transform_keys(&:to_s)&.transform_values { |off| Serialisers.number(off, 1) }

    # Each number as flown, as the fitted model flies it, and with the one change.
    def numbers(answer)
      return [] unless answer.claimed?

      answer.told.filter_map do |id|
        before = answer.fitted.value(id)
        after = answer.mended.value(id)
        next unless before && after

        {
          'measure' => id,
          'label' => words(id).label,
          'unit' => words(id).unit,
          'digits' => words(id).digits,
          'flown' => Serialisers.number(@attempt.proposal['measures'].dig(id, 'value')),
          'fitted' => Serialisers.number(before),
          'mended' => Serialisers.number(after)
        }
      end
    end

    def words(id) = Glossary.measure(id, @attempt.manoeuvre)

    def flown(flight, context)
      return nil unless flight&.proposal

      path = FlownPath.new(flight.signals, flight.proposal, context.spot || [0.0, 0.0]).points
      { 'path' => path, 'ledger' => DebriefPictures.ledger(path, @setting.conditions) }
    end
  end
end
