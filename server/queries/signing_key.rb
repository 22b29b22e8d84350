# frozen_string_literal: true

module Fujin
  # The school's signing key: exchanged for a new one, or sealed anew under another secret. Each exchange is a link of
  # the chain, signed by the key that goes; one that was lost cannot sign, and the link says so.
  class SigningKey
    # @param school [School]
    def initialize(school)
      @school = school
    end

    # @param why [String]
    # @return [String] the new public key
    # @raise [Conflict] when the secret does not open the old one
    def rotate(why:, now: Time.now.utc) = exchange(why, now, lost: false)

    # After the secret was lost: what was signed stays good, and the chain says where it goes on with another key.
    def replace_lost(why:, now: Time.now.utc) = exchange(why, now, lost: true)

    # Under another secret; the key stays, and so do authenticators.
    # @raise [Conflict] when the old secret does not open it
    def seal_anew(old_secret, new_secret)
      School.transaction do
        key = SealedKey.open(@school.sealed_private_key, old_secret)
        @school.update!(sealed_private_key: SealedKey.seal(key, new_secret))
        Person.where.not(second_factor: nil).find_each do |person|
          person.update!(second_factor: SecondFactor.seal_anew(person.second_factor, old_secret, new_secret))
        end
        AuditEntry.note('secret exchanged', @school, by: nil)
      end
    end

    private

    def exchange(why, now, lost:)
      fresh = Ed25519::SigningKey.generate
      public_key = Base64.strict_encode64(fresh.verify_key.to_bytes)
      signs = lost ? fresh : SealedKey.open(@school.sealed_private_key, Settings.secret)
      statement = { 'kind' => SignOffDocument::NEW_KEY, 'id' => SecureRandom.uuid, 'school' => @school.name,
                    'new_public_key' => public_key, 'old_public_key' => @school.public_key, 'lost' => lost,
                    'reason' => why, 'signed_at' => now.iso8601 }
      Chain.append_key(statement, key: signs, now: now) do
        @school.update!(public_key: public_key, sealed_private_key: SealedKey.seal(fresh, Settings.secret))
      end
      AuditEntry.note(lost ? 'signing key replaced, the old one lost' : 'signing key exchanged', @school,
                      by: nil, why: why, now: now)
      public_key
    end
  end
end
