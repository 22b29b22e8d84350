# frozen_string_literal: true

module Fujin
  # The cockpit's taps, taken once each: what would be lost without a word is refused with one, and stays on the device.
  class TapsTaken
    # A tap from further off says that the device's clock is wrong.
    WITHIN_DAYS = 60

    # @param sortie [Sortie], @param person [Person] who sends them
    def initialize(sortie, person)
      @sortie = sortie
      @person = person
    end

    # @param taps [Array<Hash>] NewFlyEvent
    # @raise [NotAllowed, Conflict, InvalidInput]
    def take(taps)
      own!(taps)
      of_this_lesson!(taps)
      in_time!(taps)
      FlyEvent.insert_all(taps.map { |tap| row(tap) }, unique_by: :id)
    end

    private

    # Somebody's tap is theirs to send, and to take back.
    def own!(taps)
      if taps.any? { |tap| tap['person_id'] && tap['person_id'] != @person.id }
        raise NotAllowed, 'A tap is somebody else\'s: it waits on the device until they sign in.'
      end

      targets = taps.filter_map { |tap| tap.dig('payload', 'target') if tap['kind'] == 'undo' }
      return if FlyEvent.where(id: targets).where.not(by_id: @person.id).none?

      raise NotAllowed, 'This tap is a colleague\'s: only who tapped it takes it back. Nothing was stored.'
    end

    def of_this_lesson!(taps)
      return if FlyEvent.where(id: taps.map { |tap| tap['id'] }).where.not(sortie_id: @sortie.id).none?

      raise Conflict, 'A tap with this id belongs to another lesson. Nothing was stored.'
    end

    def in_time!(taps)
      wrong = taps.find_index { |tap| far_off?(Time.iso8601(tap['at'])) } or return
      raise InvalidInput, [{ path: "events.#{wrong}.at", message: Text.of('is %{within_days} days from the lesson, ' \
        'or in the future: set the clock of the ' \
        'device',
                                                                          within_days: WITHIN_DAYS) }]
    end

    def far_off?(at) = at > Time.now.utc + 86_400 || (at - @sortie.starts_at).abs > WITHIN_DAYS * 86_400

    # By the server's clock: a tablet may be a minute and a half off.
    def row(tap)
      at = Time.iso8601(tap['at'])
      { id: tap['id'], sortie_id: @sortie.id, kind: tap['kind'], at: at - ((tap['offset_ms'] || 0) / 1000.0),
        device_at: at, device: tap['device'], attempt_id: tap['attempt_id'], attempt_no: tap['attempt_no'],
        phase: tap['phase'], payload: tap['payload'] || {}, by_id: @person.id, created_at: Time.now.utc }
    end
  end
end
