# frozen_string_literal: true

require 'rotp'
require 'active_support/message_encryptor'
require 'active_support/key_generator'

module Fujin
  # Codes of an authenticator beside the password (RFC 6238), and codes on paper for when it is lost.
  module SecondFactor
    # One step of 30 s on either side: clocks differ.
    DRIFT_S = 30
    PAPER_CODES = 8

    module_function

    def new_secret = ROTP::Base32.random
    def seal(secret) = box.encrypt_and_sign(secret)

    # Under another secret of the installation.
    def seal_anew(sealed, old_secret, new_secret)
      box(new_secret).encrypt_and_sign(box(old_secret).decrypt_and_verify(sealed))
    end

    # What an authenticator reads, also from a picture.
    def address(secret, person) = ROTP::TOTP.new(secret, issuer: 'Fujin').provisioning_uri(person.sign_in)

    # @return [Integer, nil] the second at which the code's step began; none that was used already, or before one
    def step(secret, code, now, used_at)
      ROTP::TOTP.new(secret).verify(digits(code), at: now, drift_behind: DRIFT_S, drift_ahead: DRIFT_S, after: used_at)
    end

    # Of somebody who has one. A code is good once, of the authenticator and on paper.
    # @return [Boolean]
    def proves?(person, code, now: Time.now.utc)
      person.with_lock { by_authenticator?(person, code, now) || on_paper?(person, code) }
    end

    def by_authenticator?(person, code, now)
      used = step(box.decrypt_and_verify(person.second_factor), code, now, person.second_factor_used_at)
      used && person.update!(second_factor_used_at: Time.at(used).utc)
    rescue ActiveSupport::MessageEncryptor::InvalidMessage
      # Sealed with a secret that was lost: codes on paper are good still, and the chief instructor can end it.
      false
    end

    def on_paper?(person, code)
      mark = digest(code)
      person.recovery_codes.include?(mark) && person.update!(recovery_codes: person.recovery_codes - [mark])
    end

    # @return [Array<String>] to be written down; only what they hash to is kept
    def paper_codes = Array.new(PAPER_CODES) { SecureRandom.alphanumeric(10).downcase.insert(5, '-') }
    def digest(code) = Digest::SHA256.hexdigest(code.to_s.downcase.gsub(/[^a-z0-9]/, ''))
    def digits(code) = code.to_s.gsub(/\D/, '')

    def box(secret = Settings.secret)
      key = ActiveSupport::KeyGenerator.new(secret, iterations: 1000).generate_key('second factor', 32)
      ActiveSupport::MessageEncryptor.new(key, cipher: 'aes-256-gcm')
    end
  end
end
