# frozen_string_literal: true

module Fujin
  # Solo authorities as the API shows them.
  module Serialisers
    module_function

    # @param marks [Hash{String => String}] mark by aircraft
    def solo_authority(row, today, marks)
      value = row.value
      value.to_h.except(:from, :until, :aircraft_ids).transform_keys(&:to_s).merge(
        'id' => row.id, 'from' => value.from.iso8601, 'until' => value.until.iso8601,
        'aircraft_ids' => value.aircraft_ids, 'aircraft' => value.aircraft_ids.map { |id| marks[id] || 'gone' },
        'exercise_titles' => value.exercises.map { |id| Catalogue.find(id).title },
        'by' => row.by.name, 'signed_at' => time(row.created_at), 'code' => SignOffCode.of(row.link.document_hash),
        'state' => state_of(row, value, today), 'withdrawn_why' => row.withdrawal&.reason
      )
    end

    def state_of(row, value, today)
      return 'withdrawn' if row.withdrawal
      return 'coming' if today < value.from

      value.in_force?(today) ? 'in_force' : 'over'
    end
  end
end
