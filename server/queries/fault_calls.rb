# frozen_string_literal: true

module Fujin
  # Says which fault was played, or which one the candidate found: before the recording is looked at, and never changed.
  class FaultCalls
    def initialize(attempt, person)
      @attempt = attempt
      @person = person
    end

    # @param entry [Hash] NewFaultCall; the same id twice is one call
    # @raise [Conflict, NotAllowed, InvalidInput]
    def add(entry)
      return if FaultCall.exists?(id: entry['id'])
      unless @attempt.sortie.teaching?
        raise Conflict, 'This flight taught nobody to teach: its student is no instructor candidate.'
      end

      check(entry)
      FaultCall.create!(
        id: entry['id'],
        attempt: @attempt,
        kind: entry['kind'],
        fault: entry['fault'],
        cue: entry['cue'].to_s.strip.presence,
        by: @person,
        created_at: Time.now.utc
      )
    end

    private

    def check(entry)
      if entry['kind'] == 'named' && @person.id != @attempt.sortie.student_id
        raise NotAllowed, 'Only the candidate names the fault.'
      end
      raise NotAllowed, 'Only an instructor says what was played.' if entry['kind'] == 'played' && !@person.instructor?
      if entry['kind'] == 'named' && @attempt.fault_calls.exists?(kind: 'named')
        raise Conflict, 'The fault of this attempt was named already: what was said first counts.'
      end

      known = @attempt.declaration.faults.map(&:id)
      unless entry['fault'].nil? || known.include?(entry['fault'])
        raise InvalidInput, [{ path: 'fault', message: Text.of('expected one of %{known}, or none',
                                                               known: known.join(', ')) }]
      end
    end
  end
end
