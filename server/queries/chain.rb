# frozen_string_literal: true

module Fujin
  # The school's chain of what it has signed: sign-offs and their withdrawals, each naming the one before it.
  module Chain
    LOCK = 7_301_984

    module_function

    # One signer at a time, so that the chain cannot fork.
    # @param statement [Hash] what is signed
    # @yield in the same transaction: the row that it is about, now stored
    # @return [Record] that row
    def append(statement, now:)
      alone do
        link(statement, key: school_key, now: now) do
          yield.then do |row|
            { row.model_name.element => row, given: row }
          end
        end
      end
    end

    # A change of the school's key, which no row is about.
    # @yield in the same transaction
    def append_key(statement, key:, now:)
      alone { link(statement, key: key, now: now) { { new_key: true, given: yield } } }
    end

    # @yield in a transaction, with nobody else signing meanwhile
    def alone
      ChainLink.transaction do
        ChainLink.connection.execute("SELECT pg_advisory_xact_lock(#{LOCK})")
        yield
      end
    end

    def link(statement, key:, now:)
      last = ChainLink.in_order.last
      previous = last&.document_hash || SignOffDocument::FIRST
      document = SignOffDocument.sign(statement, previous_hash: previous, key: key)
      about = yield
      given = about.delete(:given)
      ChainLink.create!(position: (last&.position || 0) + 1, document_hash: document['hash'],
                        document: JSON.generate(document), created_at: now, **about)
      given
    end
    private_class_method :link

    # Where the chain ends now: kept elsewhere, it tells later whether all of it was written anew.
    # @return [Hash{Symbol => Object}] links and the hash of the last
    def anchor
      last = ChainLink.in_order.last
      { links: last&.position || 0, latest_hash: last&.document_hash || SignOffDocument::FIRST }
    end

    # Everything that was withdrawn, signed as of now, for those who hold exported sign-offs.
    def withdrawn(now:)
      last = ChainLink.in_order.last
      links = ChainLink.in_order.where.not(sign_off_withdrawal_id: nil)
      sign(
        {
          'kind' => SignOffDocument::WITHDRAWN_LIST,
          'school' => School.current.name,
          'signed_at' => now.iso8601,
          'chain_position' => last&.position || 0,
          'withdrawn' => links.map { |link| link.statement.slice('withdraws', 'signed_at', 'instructor', 'reason') }
        },
        previous_hash: last&.document_hash || SignOffDocument::FIRST
      )
    end

    # Withdrawals made before the chain took them are signed now, with the time at which they were made.
    def take_in_older(now:)
      SignOffWithdrawal.where.missing(:link).order(:created_at).each do |row|
        append(Withdrawing.statement(row, now: now), now: now) { row }
      end
    end

    def sign(statement, previous_hash:)
      SignOffDocument.sign(statement, previous_hash: previous_hash, key: school_key)
    end

    def school_key = SealedKey.open(School.current.sealed_private_key, Settings.secret)
  end
end
