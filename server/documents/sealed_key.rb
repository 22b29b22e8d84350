# frozen_string_literal: true

require 'ed25519'
require_relative 'sealed_text'

module Fujin
  # The school's private signing key at rest, sealed with the installation's secret.
  module SealedKey
    module_function

    # @param key [Ed25519::SigningKey]
    # @return [String]
    def seal(key, secret) = SealedText.seal(key.seed, secret)

    # @return [Ed25519::SigningKey]
    # @raise [Conflict] when the secret does not fit
    def open(text, secret)
      Ed25519::SigningKey.new(SealedText.open(text, secret))
    rescue SealedText::WrongPassphrase
      raise Conflict,
            "The school's signing key cannot be opened: var/secret is not the one it was sealed with. Put the old " \
              'file back.'
    end
  end
end
