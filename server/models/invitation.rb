# frozen_string_literal: true

require_relative 'record'

module Fujin
  # A link that lets somebody choose a password, once.
  class Invitation < Record
    GOOD_FOR_S = 7 * 86_400

    belongs_to :person, class_name: 'Fujin::Person'
    belongs_to :by, class_name: 'Fujin::Person'

    # The word of the link is told once and not kept.
    # @return [Array(Invitation, String)]
    def self.give(person, by:, now: Time.now.utc)
      word = SecureRandom.urlsafe_base64(24)
      transaction do
        where(person_id: person.id, used_at: nil).update_all(used_at: now)
        [create!(person: person, by: by, token_digest: digest(word), expires_at: now + GOOD_FOR_S, created_at: now),
         word]
      end
    end

    # @raise [NotFound] when it was used, is too old, or never was
    def self.open(word, now: Time.now.utc)
      where(used_at: nil).where(expires_at: now..).find_by(token_digest: digest(word)) ||
        raise(NotFound, 'This link was used already, or is older than 7 days. Ask the school for a new one.')
    end

    def self.digest(word) = Digest::SHA256.hexdigest(word.to_s)
  end
end
