# frozen_string_literal: true

module Fujin
  # The beginning of a school: its row, with a signing key of its own, sealed.
  module Founding
    # @param more [Hash] what else is known of it
    # @return [School]
    def self.of(name:, station:, **more) = School.create!(name: name, station: station, **more, **key)

    # @return [Hash{Symbol => String}]
    def self.key
      key = Ed25519::SigningKey.generate
      { public_key: Base64.strict_encode64(key.verify_key.to_bytes),
        sealed_private_key: SealedKey.seal(key, Settings.secret) }
    end
  end
end
