# frozen_string_literal: true

require_relative 'record'

module Fujin
  # Who looked at whose record on which day.
  class RecordView < Record
    belongs_to :person, class_name: 'Fujin::Person'
    belongs_to :viewer, class_name: 'Fujin::Person'

    def self.count(person, viewer, now: Time.now.utc)
      return if person.id == viewer.id

      upsert({ person_id: person.id, viewer_id: viewer.id, on_day: School.current.day_of(now), last_at: now },
             unique_by: %i[person_id viewer_id on_day], record_timestamps: false,
             on_duplicate: Arel.sql('times = record_views.times + 1, last_at = EXCLUDED.last_at'))
    end
  end
end
