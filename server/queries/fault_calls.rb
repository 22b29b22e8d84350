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
      raise Conflict, 'This flight taught nobody to teach: its student is no instructor candidate.' unless @attempt.sortie.teaching?

      check(entry)
      FaultCall.create!(id: entry['id'], attempt: @attempt, kind: entry['kind'], fault: entry['fault'], cue: entry['cue'].to_s.strip.presence, by: @person, created_at: Time.now.utc)
    end

    private

    def check(entry)
      raise NotAllowed, 'Only the candidate names the fault.' if entry['kind'] == 'named' && @person.id != @attempt.sortie.student_id
      raise NotAllowed, 'Only an instructor says what was played.' if entry['kind'] == 'played' && !@person.instructor?
      raise Conflict, 'The fault of this attempt was named already: what was said first counts.' if entry['kind'] == 'named' && @attempt.fault_calls.exists?(kind: 'named')

      known = @attempt.declaration.faults.map(&:id)
      raise InvalidInput, [{ path: 'fault', message: "expected one of #{known.join(', ')}, or none" }] unless entry['fault'].nil? || known.include?(entry['fault'])
    end
  end
end
