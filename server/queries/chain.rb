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
      ChainLink.transaction do
        ChainLink.connection.execute("SELECT pg_advisory_xact_lock(#{LOCK})")
        last = ChainLink.in_order.last
        document = sign(statement, previous_hash: last&.document_hash || SignOffDocument::FIRST)
        yield.tap do |row|
          ChainLink.create!(
            position: (last&.position || 0) + 1,
            row.model_name.element => row,
            document_hash: document['hash'],
            document: JSON.generate(document),
            created_at: now
          )
        end
      end
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
      SignOffDocument.sign(statement, previous_hash: previous_hash,
                                      key: SealedKey.open(School.current.sealed_private_key, Settings.secret))
    end
  end
end
