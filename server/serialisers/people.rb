# frozen_string_literal: true

module Fujin
  # People, their documents and what was changed of them, as the API shows them.
  module Serialisers
    module_function

    def school(row) = row.fields('name', 'station', 'time_zone', 'demo', 'units')
    def signed_in(person, units) = person.fields('id', 'name', 'role').merge('units' => units)

    def person(row, today, required)
      documents = row.association(:documents).load_target
      row.fields('id', 'name', 'sign_in', 'role', 'stage', 'mass_kg', 'email').merge(
        'state' => row.state, 'left_on' => row.left_on&.iso8601, 'forgotten_on' => row.forgotten_on&.iso8601,
        'second_factor' => row.second_factor?,
        'documents' => documents.map { |one| document(one, today) },
        'missing' => Bookings::DocumentKind.all.values.select do |kind|
          required.include?(kind.id) && kind.roles.include?(row.role) && documents.none? { |one| one.kind == kind.id }
        end.map(&:title)
      )
    end

    def document(row, today)
      value = row.value
      row.fields('id', 'kind', 'type_id', 'reference').merge(
        'title' => value.kind.title, 'valid_from' => row.valid_from&.iso8601, 'valid_until' => row.valid_until&.iso8601,
        'state' => value.state(today).to_s, 'text' => value.words(today), 'blocks' => value.kind.blocks
      )
    end

    def document_kind(kind) = kind.to_h.slice(:id, :title, :roles, :blocks, :by_type).transform_keys(&:to_s)

    def audit_entry(row)
      row.fields('id', 'what', 'subject', 'subject_kind', 'was', 'became', 'why')
        .merge('at' => time(row.at), 'by' => row.by&.name)
    end

    def person_session(row, current)
      row.fields('id', 'address', 'device').merge(
        'began_at' => time(row.created_at), 'seen_at' => time(row.seen_at), 'this_one' => row.id == current
      )
    end

    def record_view(row) = { 'viewer' => row.viewer.name, 'on_day' => row.on_day.iso8601, 'times' => row.times }
  end
end
