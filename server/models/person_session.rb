# frozen_string_literal: true

require_relative 'record'

module Fujin
  # Where somebody is signed in. The cookie only names it: what is ended here is ended everywhere.
  class PersonSession < Record
    # Not used for so long, or begun so long ago, it has ended by itself.
    IDLE_S = 4 * 3600
    LONGEST_S = Settings::SESSION_HOURS * 3600
    # How often being seen is written down.
    SEEN_EVERY_S = 60

    belongs_to :person, class_name: 'Fujin::Person'
    LIVE = 'person_sessions.ended_at IS NULL AND person_sessions.created_at >= %s AND person_sessions.seen_at >= %s'
    scope :live, ->(now = Time.now.utc) { where(format(LIVE, '?', '?'), *since(now)) }

    # Asked with every request, so that it is one question, written out.
    SIGNED_IN = <<~SQL.freeze
      SELECT people.*, person_sessions.seen_at AS session_seen_at
      FROM person_sessions JOIN people ON people.id = person_sessions.person_id
      WHERE person_sessions.id = $1 AND #{format(LIVE, '$2', '$3')}
    SQL
    private_constant :LIVE, :SIGNED_IN

    # Since when a session has to have begun and been seen.
    def self.since(now) = [now - LONGEST_S, now - IDLE_S]

    # Whose session it is, as long as it was not ended and they may still come in; that they were here is written down.
    # @param id [String, nil]
    # @return [Person, nil]
    def self.person(id, now = Time.now.utc)
      found = id && Person.asked(:signed_in, id, *since(now)) { SIGNED_IN }.first
      return nil unless found&.may_sign_in?

      where(id: id).update_all(seen_at: now) if now - found.session_seen_at > SEEN_EVERY_S
      found
    end

    # @return [PersonSession]
    def self.begin(person, address:, device:, now: Time.now.utc) =
      create!(person: person, address: address, device: device.to_s[0, 200], created_at: now, seen_at: now)

    # @param except [String, nil] the id of one that goes on
    def self.end_all(person, except: nil, now: Time.now.utc) =
      where(person_id: person.id, ended_at: nil).where.not(id: except).update_all(ended_at: now)
  end
end
