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

    def run(id)
      row = DispersionRow.find_by(id: id)
      return finish if row.nil? || row.status == 'ready'

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
        row.update!(status: count == RUNS ? 'ready' : 'working', runs: count, result: result)
      end
    end
  end
end
