# frozen_string_literal: true

require 'base64'
require 'openssl'
require 'securerandom'

module Fujin
  # A few bytes under a passphrase: AES-256-GCM under a key derived from it (scrypt, RFC 7914).
  module SealedText
    # Another passphrase than the one that it was sealed with, or altered bytes.
    class WrongPassphrase < StandardError; end

    SALT_BYTES = 16
    NONCE_BYTES = 12
    TAG_BYTES = 16

    module_function

    # @return [String] base64 of salt, nonce, tag and sealed bytes
    def seal(bytes, passphrase)
      salt = SecureRandom.bytes(SALT_BYTES)
      cipher = OpenSSL::Cipher.new('aes-256-gcm').encrypt
      cipher.key = derive(passphrase, salt)
      nonce = cipher.random_iv
      sealed = cipher.update(bytes) + cipher.final
      Base64.strict_encode64(salt + nonce + cipher.auth_tag + sealed)
    end

    # @return [String]
    # @raise [WrongPassphrase]
    def open(text, passphrase)
      bytes = Base64.strict_decode64(text)
      salt = bytes.byteslice(0, SALT_BYTES)
      cipher = OpenSSL::Cipher.new('aes-256-gcm').decrypt
      cipher.key = derive(passphrase, salt)
      cipher.iv = bytes.byteslice(SALT_BYTES, NONCE_BYTES)
      cipher.auth_tag = bytes.byteslice(SALT_BYTES + NONCE_BYTES, TAG_BYTES)
      cipher.update(bytes.byteslice((SALT_BYTES + NONCE_BYTES + TAG_BYTES)..)) + cipher.final
    rescue OpenSSL::Cipher::CipherError, ArgumentError, TypeError
      raise WrongPassphrase, 'it cannot be opened: this is not what it was sealed with.'
    end

    def derive(passphrase, salt) = OpenSSL::KDF.scrypt(passphrase, salt: salt, N: 2**14, r: 8, p: 1, length: 32)
  end
end
