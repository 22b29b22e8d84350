# frozen_string_literal: true

module Fujin
  # The school's aircraft: added, changed, grounded and cleared with why, what is due, what was found.
  class FleetArea < Area
    FIELDS = %w[mark type_id hours_before hours_since dual_controls recorder].freeze

    get_route('/api/fleet') { json(fleet) }

    post_route '/api/aircraft' do
      fields = body_json
      next json(fleet, status: 201) if AircraftRow.exists?(id: fields['id'])

      TypeStore.find(fields['type_id'])
      named_once('aircraft', fields['mark'].strip.upcase) do
        row = AircraftRow.create!(**fields.slice('id', *FIELDS), mark: fields['mark'].strip.upcase)
        AuditEntry.note('aircraft added', row, by: current_person, became: fields.slice(*FIELDS))
      end
      json(fleet, status: 201)
    end

    patch_route '/api/aircraft/:id' do
      row = AircraftRow.find(params['id'])
      TypeStore.find(body_json['type_id']) if body_json['type_id']
      named_once('aircraft', body_json['mark']) { row.update!(body_json.slice(*FIELDS)) }
      AuditEntry.note_changes('aircraft changed', row, FIELDS, by: current_person, why: body_json['why'])
      json(fleet)
    end

    # 'flying', 'grounded' or 'retired'.
    put_route '/api/aircraft/:id/state' do
      row = AircraftRow.find(params['id'])
      state, why = body_json.values_at('state', 'why')
      check_state(row, state)
      now = Time.now.utc
      row.update!(grounded_at: state == 'grounded' ? now : nil, grounded_why: state == 'grounded' ? why : nil,
                  retired_at: state == 'retired' ? now : nil, look_at_it: state == 'flying' ? false : row.look_at_it)
      AuditEntry.note("aircraft #{state}", row, by: current_person, why: why)
      json(fleet)
    end

    post_route '/api/aircraft/:id/maintenance' do
      row = AircraftRow.find(params['id'])
      fields = body_json
      unless fields['at_hours'] || fields['on_day']
        raise InvalidInput, [{ path: 'at_hours', message: 'expected hours, a day, or both' }]
      end

      MaintenanceItem.exists?(id: fields['id']) ||
        MaintenanceItem.create!(**fields.slice('id', 'title', 'at_hours', 'on_day'), aircraft: row, by: current_person)
      json(fleet, status: 201)
    end

    post_route '/api/maintenance/:id/done' do
      item = MaintenanceItem.open.find(params['id'])
      item.update!(done_at: Time.now.utc, done_note: body_json['note'])
      AuditEntry.note('maintenance done', item.aircraft, by: current_person, was: { 'title' => item.title },
                                                         why: body_json['note'])
      json(fleet)
    end

    # Also from the sheet, with the lesson it was found in.
    post_route '/api/aircraft/:id/defects' do
      row = AircraftRow.find(params['id'])
      fields = body_json
      Defect.exists?(id: fields['id']) ||
        Defect.create!(**fields.slice('id', 'text', 'grounds', 'sortie_id'), aircraft: row, by: current_person)
      json(fleet, status: 201)
    end

    post_route '/api/defects/:id/clearance' do
      defect = Defect.open.find(params['id'])
      if defect.grounds && !current_person.chief?
        raise NotAllowed, 'What grounds an aircraft is cleared by the chief instructor.'
      end

      defect.update!(cleared_at: Time.now.utc, cleared_by: current_person, cleared_note: body_json['note'])
      AuditEntry.note('defect cleared', defect.aircraft, by: current_person, was: { 'defect' => defect.text },
                                                         why: body_json['note'])
      json(fleet)
    end

    helpers do
      def fleet
        today = School.current.today
        checks = SiteCheck.newest_first.preload(:site).limit(200).group_by(&:type_id).transform_values(&:first)
        AircraftRow.kept.preload(:maintenance, defects: :by)
          .map { |row| Serialisers.craft(row, row.hours, today, checks[row.type_id]) }
      end

      # Nothing that is open is forgotten by saying that it flies.
      def check_state(row, state)
        return unless state == 'flying'

        open = row.defects.select(&:grounds)
        if open.any?
          raise Conflict, Text.of('%{mark} is grounded by: %{open}. Clear that first.',
                                  mark: row.mark, open: open.map(&:text).join('; '))
        end
      end
    end
  end
end
