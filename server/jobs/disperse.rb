# frozen_string_literal: true

require 'que'
require_relative 'gives_up'

module Fujin
  # Works out where a thousand landings of a sortie's plan would end, by each way of reaching the spot, and stores the
  # answer as it grows. Seeded: run again, it says the same.
  class Disperse < Que::Job
    include GivesUp

    self.maximum_retry_count = 3

    RUNS = 1000
    BATCH = 250

    # One who asks for more than these at once no longer wants the first.
    MOST_EACH = 3
    DROPPED = 'Newer questions of yours took its place. Ask it again when it is wanted.'

    # To be asked in the transaction that holds the row.
    # @param row [DispersionRow] to be worked out, @param by [Person] who asks
    def self.for(row, by)
      waiting = DispersionRow.wanted.where(by_id: by.id).where.not(id: row.id).order(created_at: :desc)
      row.update!(status: 'waiting', error: nil, by: by)
      DispersionRow.where(id: waiting.offset(MOST_EACH - 1).pluck(:id)).update_all(status: 'failed', error: DROPPED)
      enqueue(row.id, job_options: { priority: Urgency.behind(Urgency::SPREAD, waiting.count) })
    end

    def run(id)
      row = DispersionRow.wanted.find_by(id: id)
      return finish if row.nil?

      work(row)
      finish
    rescue Error => e
      row.update!(status: 'failed', error: e.message)
      finish
    end

    private

    def work_row(id) = DispersionRow.find_by(id: id)
    def given_up = 'The landings could not be worked out. The plan itself stands; change it, or ask again later.'

    def work(row)
      question = DispersionQuestion.new(row.sortie, row.tried, row.exercise)
      dispersion = question.dispersion
      (BATCH..RUNS).step(BATCH) do |count|
        result = question.answer(dispersion, count)
        told = { status: count == RUNS ? 'ready' : 'working', runs: count, result: result, updated_at: Time.now.utc }
        # Dropped meanwhile, it is worked out no further.
        break if DispersionRow.wanted.where(id: row.id).update_all(told).zero?
      end
    end
  end
end
