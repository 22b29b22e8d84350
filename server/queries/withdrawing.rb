# frozen_string_literal: true

module Fujin
  # Takes a sign-off back, as a link of the chain of its own: the sign-off itself is never changed.
  class Withdrawing
    def initialize(sign_off, by)
      @sign_off = sign_off
      @by = by
    end

    # A second one changes nothing.
    # @return [SignOff]
    def withdraw(id:, reason:, now: Time.now.utc)
      row = SignOffWithdrawal.new(id: id, sign_off: @sign_off, by: @by, reason: reason, created_at: now)
      Chain.append(self.class.statement(row, now: now), now: now) { row.tap(&:save!) } unless @sign_off.withdrawal
      @sign_off.reload
    end

    # @param row [SignOffWithdrawal]
    def self.statement(row, now:)
      {
        'kind' => SignOffDocument::WITHDRAWAL,
        'id' => row.id,
        'school' => School.current.name,
        'withdraws' => row.sign_off_id,
        'withdraws_hash' => row.sign_off.document_hash,
        'student' => row.sign_off.student.name,
        'manoeuvre' => row.sign_off.manoeuvre,
        'instructor' => row.by.name,
        'instructor_id' => row.by_id,
        'withdrawn_at' => row.created_at.iso8601,
        'signed_at' => now.iso8601,
        'reason' => row.reason
      }
    end
  end
end
