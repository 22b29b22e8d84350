# frozen_string_literal: true

require 'que'
require_relative 'gives_up'

module Fujin
  # Measures the attempts of an exercise again after its place, its course or its plan was changed. What was graded
  # stays as it was; run again, it says the same.
  class MeasureAgain < Que::Job
    include GivesUp

    self.maximum_retry_count = 3

    STEP = 'measuring again'

    # @param sortie [Sortie], @param exercise [Exercise], @param by [Person]
    def self.of(sortie, exercise, by)
      sortie.recordings.merge(RecordingRow.light).where(id: exercise.attempts.select(:recording_id), status: 'ready')
        .each do |recording|
        recording.update!(status: 'working', step: STEP, progress: 0.0)
        enqueue(recording.id, exercise.id, by.id)
      end
    end

    def run(recording_id, exercise_id, by_id)
      recording = RecordingRow.find_by(id: recording_id)
      exercise = Exercise.find_by(id: exercise_id)
      measure(recording, exercise, Person.find(by_id)) if recording && exercise
      finish
    end

    private

    # The recording stays what it is, imported: what was measured before stands.
    def work_row(_id) = nil
    def given_up = nil

    def measure(recording, exercise, person)
      attempts = exercise.attempts.where(recording_id: recording.id).order(:position).to_a
      attempts.each_with_index do |attempt, i|
        recording.update!(progress: i.to_f / attempts.size)
        RecutAttempt.new(exercise.sortie, recording, by: person).measured(attempt)
      end
    ensure
      recording.update!(status: 'ready', step: 'imported', progress: 1.0)
    end
  end
end
