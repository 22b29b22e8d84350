# frozen_string_literal: true

require 'que'
require_relative 'measure_again'

module Fujin
  # After a row of a standard was set otherwise: what was flown at the manoeuvre since the day that it holds from is
  # measured and proposed again, recording by recording. Grades that were given stay.
  class Regrade < Que::Job
    self.maximum_retry_count = 5
    self.priority = Urgency::RECOUNT

    # To be asked in the transaction that holds the change.
    # @param change [StandardChange]
    def self.of(change)
      since = School.current.midnight(change.effective_from)
      exercises = Exercise.joins(:sortie).where(manoeuvre: change.manoeuvre, sorties: { starts_at: since.. })
      Exercise.where(id: exercises.select(:id)).update_all('plan_version = plan_version + 1')
      enqueue(change.id)
    end

    # How many attempts of each manoeuvre wait to be measured again.
    # @return [Hash{String => Integer}]
    def self.left = AttemptRow.stale.group('attempts.manoeuvre').count

    def run(change_id)
      change = StandardChange.find(change_id)
      stale = AttemptRow.stale.where(attempts: { manoeuvre: change.manoeuvre })
      Sortie.where(id: stale.select(:sortie_id)).order(:starts_at).each do |sortie|
        Sortie.transaction { MeasureAgain.of(sortie, change.by) }
      end
      finish
    end
  end
end
