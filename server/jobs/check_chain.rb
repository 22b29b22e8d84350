# frozen_string_literal: true

require 'que'

module Fujin
  # Reads the chain of what the school signed whole, each hour, and keeps what it found. One such job waits at a time.
  class CheckChain < Que::Job
    self.priority = Urgency::RECOUNT
    EVERY_S = 3600

    # From now on; to be asked at each start.
    def self.begin(now: Time.now.utc)
      look(now)
      connection = Record.connection
      waiting = connection.select_value("SELECT 1 FROM que_jobs WHERE job_class = 'Fujin::CheckChain' AND " \
        'finished_at IS NULL AND expired_at IS NULL')
      enqueue(job_options: { run_at: now + EVERY_S }) unless waiting
    end

    # @return [ChainCheck]
    def self.look(now = Time.now.utc)
      return unless School.exists?

      reading = ChainReading.new
      reading.faults.each { |one| Fujin.logger.error("the chain of sign-offs is broken: #{one}") }
      ChainCheck.create!(at: now, **reading.to_h)
    end

    def run
      self.class.look
      Record.transaction do
        self.class.enqueue(job_options: { run_at: Time.now.utc + EVERY_S })
        finish
      end
    end
  end
end
