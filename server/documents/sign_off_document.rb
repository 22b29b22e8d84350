# frozen_string_literal: true

require 'base64'
require 'digest'
require 'ed25519'
require 'json'
require 'json/canonicalization'

module Fujin
  # A sign-off as a file that anyone can check: canonical JSON (RFC 8785), chained to the one before by hash, signed
  # with the school's Ed25519 key. Needs no database.
  #
  # The signed part is `statement`; around it stand `hash`, `signature` and `public_key`. `statement.previous_hash`
  # names the sign-off before it in the school's chain, or 64 zeros for the first.
  module SignOffDocument
    FORMAT = 'fujin-sign-off-1'
    FIRST = '0' * 64
    # What a statement is of; one without a kind is a sign-off of before.
    SIGN_OFF = 'sign_off'
    WITHDRAWAL = 'withdrawal'
    WITHDRAWN_LIST = 'withdrawn_list'
    SOLO = 'solo_authority'
    SOLO_WITHDRAWAL = 'solo_withdrawal'
    NEW_KEY = 'new_key'

    # Why a document is not what it claims to be; the message is for the reader.
    class Broken < StandardError; end

    # @!attribute pinned [Boolean] the key is the one the reader named
    Verdict = Struct.new(:statement, :digest, :pinned, :public_key, keyword_init: true) do
      def kind = statement.fetch('kind', SIGN_OFF)
    end

    module_function

    # @param statement [Hash] everything that is signed, without format and previous_hash
    # @param key [Ed25519::SigningKey]
    def sign(statement, previous_hash:, key:)
      body = statement.merge('format' => FORMAT, 'previous_hash' => previous_hash)
      bytes = body.to_json_c14n
      {
        'statement' => body,
        'hash' => Digest::SHA256.hexdigest(bytes),
        'signature' => Base64.strict_encode64(key.sign(bytes)),
        'public_key' => Base64.strict_encode64(key.verify_key.to_bytes)
      }
    end

    # @param text [String] the exported file
    # @param pinned_key [String, nil] the school's public key in base64
    # @return [Verdict]
    # @raise [Broken]
    def verify(text, pinned_key: nil)
      document = parse(text)
      statement = document.fetch('statement')
      unless statement['format'] == FORMAT
        raise Broken, Text.of('format is %{found}, expected %{expected}',
                              found: statement['format'].inspect,
                              expected: FORMAT)
      end

      bytes = statement.to_json_c14n
      unless Digest::SHA256.hexdigest(bytes) == document.fetch('hash')
        raise Broken, 'the statement was altered: its hash does not match'
      end

      key = verify_key(document.fetch('public_key'))
      check_signature(key, document.fetch('signature'), bytes)
      if pinned_key && pinned_key.strip != document['public_key']
        raise Broken, 'the signature is good, but it was made with another key than the one given'
      end

      Verdict.new(statement: statement, digest: document['hash'], pinned: !pinned_key.nil?,
                  public_key: document['public_key'])
    rescue KeyError => e
      raise Broken, Text.of('the file has no %{key}', key: e.key)
    end

    # @param list [Verdict] of a list of withdrawals, @param verdict [Verdict] of a sign-off
    # @return [Hash, nil] who withdrew it, when and why
    # @raise [Broken] when it is no such list, or another school's
    def withdrawn(list, verdict)
      raise Broken, 'the list is no list of withdrawn sign-offs' unless list.kind == WITHDRAWN_LIST
      unless list.public_key == verdict.public_key
        raise Broken, 'the list of withdrawals was signed with another key than the sign-off'
      end

      list.statement['withdrawn'].find { |one| one['withdraws'] == verdict.statement['id'] }
    end

    # Checks that documents follow one another, oldest first.
    # @raise [Broken]
    def verify_chain(documents)
      documents.each_cons(2) do |before, after|
        next if after['statement']['previous_hash'] == before['hash']

        raise Broken,
              Text.of('%{after} does not follow %{before}: one was removed or altered',
                      after: after['statement']['id'], before: before['statement']['id'])
      end
    end

    def parse(text)
      document = JSON.parse(text)
      unless document.is_a?(Hash) && document['statement'].is_a?(Hash)
        raise Broken, 'the file is no sign-off: expected an object with a statement'
      end

      document
    rescue JSON::ParserError
      raise Broken, 'the file is not readable as JSON'
    end

    def verify_key(text)
      Ed25519::VerifyKey.new(Base64.strict_decode64(text))
    rescue ArgumentError
      raise Broken, 'the public key in the file is not readable'
    end

    def check_signature(key, text, bytes)
      key.verify(Base64.strict_decode64(text), bytes)
    rescue Ed25519::VerifyError, ArgumentError
      raise Broken, 'the signature does not belong to this statement'
    end
  end
end
