# frozen_string_literal: true

require 'base64'
require 'ed25519'
require 'openssl'

module Fujin
  # The school's private signing key at rest: AES-256-GCM under a key derived from the installation's secret (scrypt).
  module SealedKey
    SALT_BYTES = 16
    NONCE_BYTES = 12
    TAG_BYTES = 16

    module_function

    # @param key [Ed25519::SigningKey]
    # @return [String] base64 of salt, nonce, tag and sealed seed
    def seal(key, secret)
      salt = SecureRandom.bytes(SALT_BYTES)
      cipher = OpenSSL::Cipher.new('aes-256-gcm').encrypt
      cipher.key = derive(secret, salt)
      nonce = cipher.random_iv
      sealed = cipher.update(key.seed) + cipher.final
      Base64.strict_encode64(salt + nonce + cipher.auth_tag + sealed)
    end

    # @return [Ed25519::SigningKey]
    # @raise [Conflict] when the secret does not fit
    def open(text, secret)
      bytes = Base64.strict_decode64(text)
      salt = bytes.byteslice(0, SALT_BYTES)
      cipher = OpenSSL::Cipher.new('aes-256-gcm').decrypt
      cipher.key = derive(secret, salt)
      cipher.iv = bytes.byteslice(SALT_BYTES, NONCE_BYTES)
      cipher.auth_tag = bytes.byteslice(SALT_BYTES + NONCE_BYTES, TAG_BYTES)
      Ed25519::SigningKey.new(cipher.update(bytes.byteslice((SALT_BYTES + NONCE_BYTES + TAG_BYTES)..)) + cipher.final)
    rescue OpenSSL::Cipher::CipherError
      raise Conflict,
            "The school's signing key cannot be opened: var/secret is not the one it was sealed with. Put the old " \
              'file back.'
    end

    def derive(secret, salt) = OpenSSL::KDF.scrypt(secret, salt: salt, N: 2**14, r: 8, p: 1, length: 32)
  end
end
