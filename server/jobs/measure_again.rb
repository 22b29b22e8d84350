# frozen_string_literal: true

require 'que'

module Fujin
  # Measures again what was measured before its exercise's place, course or plan was changed. What was graded stays
  # as it was. One job a recording: it goes on until nothing is older than the last change, so that it can die
  # anywhere and run again, and a change made meanwhile is not missed.
  class MeasureAgain < Que::Job
    self.maximum_retry_count = 5
    self.priority = Urgency::AGAIN

    STEP = 'measuring again'

    # To be asked in the transaction that holds the change.
    # @param sortie [Sortie], @param by [Person]
    def self.of(sortie, by)
      stale = AttemptRow.stale.where(sortie_id: sortie.id)
      RecordingRow.light.where(id: stale.select(:recording_id)).lock.each do |row|
        next if row.step == STEP

        row.update!(status: 'working', step: STEP, progress: 0.0, error: nil)
        enqueue(row.id, by.id)
      end
    end

    def run(recording_id, by_id)
      row = RecordingRow.find(recording_id)
      measure(row, Person.find(by_id)) until ready?(row)
      finish
    end

    private

    def stale(row) = AttemptRow.stale.where(recording_id: row.id).order(:position)

    # Locked, so that a change either is seen here or asks for another job.
    def ready?(row)
      row.with_lock do
        stale(row).none?.tap { |none| row.update!(status: 'ready', step: 'imported', progress: 1.0) if none }
      end
    end

    def measure(row, person)
      attempts = stale(row).to_a
      recut = RecutAttempt.new(Sortie.find(row.sortie_id), row, by: person)
      attempts.each_with_index do |attempt, i|
        row.update!(progress: i.to_f / attempts.size)
        again(row, attempt, recut)
      end
    end

    # One that cannot be measured any more keeps what it had, and that is said.
    def again(row, attempt, recut)
      recut.measured(attempt)
    rescue Error => e
      attempt.update!(plan_version: recut.exercise(attempt.exercise_id).plan_version)
      row.update!(error: Text.of('Attempt %{position} could not be measured again and shows what it was before: ' \
        '%{message}',
                                 position: attempt.position + 1, message: e.message))
    end
  end
end
