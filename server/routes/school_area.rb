# frozen_string_literal: true

module Fujin
  # Today, students, fleet, catalogue, house method.
  class SchoolArea < Area
    PAGE_SIZE = 50

    get_route('/api/today') { json(TodayBoard.new(current_person, School.current.today).to_h) }

    get_route '/api/students' do
      people = Person.students.unscope(:order)
      people = people.where('name ILIKE ?', "%#{Person.sanitize_sql_like(params['find'])}%") if params['find']
      page = Listed.new(people, by: %i[name id], after: params['after'], size: PAGE_SIZE)
      json({ 'items' => StudentRows.new(page.rows).to_a, 'following' => page.following, 'total' => people.count })
    end

    get_route '/api/instructor-names' do
      people = Person.present.where(role: Person::INSTRUCTORS).order(:name)
      json(people.pluck(:id, :name).map { |row| %w[id name].zip(row).to_h })
    end

    # Everybody who learns here, to choose from.
    get_route '/api/student-names' do
      json(Person.students.pluck(:id, :name, :stage).map { |row| %w[id name stage].zip(row).to_h })
    end

    get_route '/api/students/:id' do
      own!(params['id'])
      student = Person.find(params['id'])
      RecordView.count(student, current_person)
      json(StudentRecord.new(student, current_person).to_h)
    end

    get_route '/api/students/:id/lessons' do
      own!(params['id'])
      json(StudentLessons.new(Person.find(params['id']), current_person, after: params['after']).to_h)
    end

    get_route '/api/students/:id/side-by-side' do
      own!(params['id'])
      student = Person.find(params['id'])
      sortie = params['sortie'] && Sortie.find_by!(id: params['sortie'], student_id: student.id)
      json(SideBySideView.new(student, params['manoeuvre'], current_person, sortie: sortie).to_h)
    end

    get_route '/api/class-list' do
      content_type 'text/csv', charset: 'utf-8'
      headers 'Content-Disposition' => %(attachment; filename="class-#{Time.now.utc.to_date.iso8601}.csv")
      ClassList.new(StudentRows.new(Person.students.to_a).to_a).to_s
    end

    get_route('/api/aircraft') { json(AircraftRow.order(:mark).map { |row| Serialisers.aircraft(row) }) }

    post_route '/api/aircraft/:id/clearance' do
      row = AircraftRow.find(params['id'])
      row.update!(look_at_it: false, look_at_it_reason: Text.of('Cleared by %{current_person}: %{body_json}',
                                                                current_person: current_person.name,
                                                                body_json: body_json['note']))
      AuditEntry.note_changes('aircraft cleared', row, %w[look_at_it], by: current_person, why: body_json['note'])
      json(Serialisers.aircraft(row))
    end

    get_route('/api/running') { json(RunningNow.new.to_h) }
    get_route('/api/agreement') { json(AgreementTable.new.to_h) }

    get_route('/api/catalogue') { json(CatalogueView.new(School.current).to_h) }
    get_route('/api/standards/waiting') { json(Regrade.left) }

    post_route '/api/standards/changes' do
      fields = body_json
      StandardChange.transaction do
        change = StandardBook.change(
          fields['manoeuvre'],
          fields['measure'],
          fields['values'],
          by: current_person,
          reason: fields['reason'],
          effective_from: fields['effective_from'] ? Date.iso8601(fields['effective_from']) : School.current.today
        )
        Regrade.of(change)
      end
      json(CatalogueView.new(School.current).to_h, status: 201)
    end

    post_route '/api/standards/look-back' do
      json(StandardLookBack.new(*body_json.values_at('manoeuvre', 'measure', 'values'), now: Time.now.utc).to_h)
    end

    # What a sign-off asks for: of every manoeuvre, or of one; without numbers that one is as the others again.
    put_route '/api/readiness' do
      manoeuvre, rule = body_json.values_at('manoeuvre', 'rule')
      Catalogue.find(manoeuvre) if manoeuvre
      school = School.current
      school.with_lock { school.set_readiness(manoeuvre, rule) }
      AuditEntry.note_changes('readiness set', school, %w[readiness], by: current_person)
      json(CatalogueView.new(school).to_h)
    end

    put_route '/api/blocks/:block' do
      block = Progress::Block.usual.find { |one| one.id == params['block'] }
      raise NotFound, 'There is no such counted block.' unless block

      counts = body_json['counts']
      unless counts.size == block.rungs.size
        raise InvalidInput,
              [{ path: 'counts', message: Text.of('expected %{rungs}, one a rung, got %{counts}',
                                                  rungs: block.rungs.size, counts: counts.size) }]
      end

      school = School.current
      school.with_lock do
        school.update!(blocks: school.blocks.merge(block.id => body_json.slice('counts', 'needed')))
      end
      AuditEntry.note_changes('counted block set', school, %w[blocks], by: current_person)
      json(CatalogueView.new(school).to_h)
    end

    put_route '/api/house' do
      school = School.current
      match_version!(school)
      Planning::HouseMethod.new(body_json.fetch('values'))
      school.update!(house: body_json['values'])
      AuditEntry.note_changes('house method set', school, %w[house], by: current_person)
      versioned(school)
      json(Serialisers.house(school))
    end
  end
end
