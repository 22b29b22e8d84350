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
    scope :live, ->(now = Time.now.utc) {
      where(ended_at: nil).where(created_at: (now - LONGEST_S)..).where(seen_at: (now - IDLE_S)..)
    }

    # @return [PersonSession]
    def self.begin(person, address:, device:, now: Time.now.utc) =
      create!(person: person, address: address, device: device.to_s[0, 200], created_at: now, seen_at: now)

    # @param except [String, nil] the id of one that goes on
    def self.end_all(person, except: nil, now: Time.now.utc) =
      where(person_id: person.id, ended_at: nil).where.not(id: except).update_all(ended_at: now)

    def seen(now = Time.now.utc)
      update_columns(seen_at: now) if now - seen_at > SEEN_EVERY_S
      self
    end
  end
end
