# frozen_string_literal: true

module Fujin
  # Who belongs to the school: added, invited, changed with why, suspended, gone; their documents; what was changed.
  class PeopleArea < Area
    PAGE_SIZE = 50
    LOGO_BYTES = 200 * 1024

    get_route '/api/people' do
      page = Listed.new(found_people, by: %i[name id], after: params['after'], size: PAGE_SIZE)
      json({ 'items' => page.rows.map { |person| shown(person) }, 'following' => page.following })
    end

    get_route('/api/document-kinds') { json(Bookings::DocumentKind.all.values.map { |kind| Serialisers.document_kind(kind) }) }

    post_route '/api/people' do
      existing = Person.find_by(id: body_json['id'])
      next json(shown(existing), status: 201) if existing

      person = Members.new(current_person).add(body_json)
      json(shown(person), status: 201)
    end

    get_route '/api/people/:id' do
      own_or_staff!(params['id'])
      person = Person.find(params['id'])
      versioned(person)
      json(whole(person))
    end

    patch_route '/api/people/:id' do
      person = Person.find(params['id'])
      match_version!(person)
      Members.new(current_person).change(person, body_json)
      versioned(person)
      json(whole(person))
    end

    # Away for a while, back again, or gone: sign-in ends at once, records stay.
    put_route '/api/people/:id/state' do
      person = Person.find(params['id'])
      Members.new(current_person).put(person, body_json['state'], body_json['why'])
      versioned(person)
      json(whole(person))
    end

    post_route '/api/people/:id/invitation' do
      person = Person.find(params['id'])
      unless %w[invited active].include?(person.state)
        raise Conflict, Text.of('%{person} has %{what}.',
                                person: person.name, what: person.state == 'left' ? 'left' : 'been suspended')
      end

      invitation, word = Invitation.give(person, by: current_person)
      link = "#{request.base_url}/join/#{word}"
      AuditEntry.note('invited', person, by: current_person)
      SendMail.enqueue(person.email, *InvitationLetter.new(person, link, School.current).to_a) if person.email
      json({ 'link' => link, 'expires_at' => Serialisers.time(invitation.expires_at), 'mailed_to' => person.email },
           status: 201)
    end

    post_route '/api/people/:id/documents' do
      person = Person.find(params['id'])
      Members.new(current_person).add_document(person, body_json)
      json(whole(person.reload), status: 201)
    end

    delete_route '/api/documents/:id' do
      document = PersonDocument.in_force.find(params['id'])
      document.update!(withdrawn_at: Time.now.utc)
      AuditEntry.note('document withdrawn', document.person, by: current_person, was: Members.words_of(document))
      json(whole(document.person.reload))
    end

    # The list as a table: out, and in again with what it would do before it does it.
    get_route '/api/people-list' do
      content_type 'text/csv', charset: 'utf-8'
      headers 'Content-Disposition' => %(attachment; filename="people-#{Time.now.utc.to_date.iso8601}.csv")
      PeopleTable.write(Person.present.order(:name).preload(:documents))
    end

    post_route '/api/people-list' do
      table = PeopleTable.new(body_json['csv'], by: current_person)
      table.store if body_json['store']
      json({ 'rows' => table.rows, 'faults' => table.faults, 'stored' => body_json['store'] == true })
    end

    # The way back for somebody who lost their authenticator.
    delete_route '/api/people/:id/second-factor' do
      person = Person.find(params['id'])
      Members.new(current_person).end_second_factor(person, body_json['why'])
      json(whole(person))
    end

    # What of somebody who left may go, goes.
    post_route '/api/people/:id/forgetting' do
      person = Person.find(params['id'])
      Members.new(current_person).forget(person, body_json['why'])
      json(whole(person.reload))
    end

    # The school's own: words and mark on what is printed, how long what may go is kept of those who left.
    get_route('/api/school') { json(school_body) }

    put_route '/api/school' do
      school = School.current
      Units.check!(body_json.fetch('units', {}))
      school.update!(body_json.slice('name', 'print_words', 'keep_left_days', 'units')
        .merge('time_zone' => TimeZones.check!(body_json['time_zone'])))
      AuditEntry.note_changes('school changed', school, %w[name print_words keep_left_days time_zone units],
                              by: current_person)
      json(school_body)
    end

    put_route '/api/school/logo' do
      bytes = Base64.strict_decode64(body_json['image'])
      raise InvalidInput, [{ path: 'image', message: 'expected a PNG or JPEG file' }] unless PrintMark.kind(bytes)
      if bytes.bytesize > LOGO_BYTES
        raise InvalidInput,
              [{ path: 'image', message: Text.of('expected at most %{logo_bytes} kB', logo_bytes: LOGO_BYTES / 1024) }]
      end

      drawable!(bytes)
      School.current.update!(logo: bytes)
      json(school_body)
    rescue ArgumentError
      raise InvalidInput, [{ path: 'image', message: 'is not readable' }]
    end

    delete_route '/api/school/logo' do
      School.current.update!(logo: nil)
      json(school_body)
    end

    # Fujin empty again, as before the demo: by typing the demo school's name.
    delete_route '/api/demo' do
      DemoThrownAway.new(body_json['name']).run
      session.clear
      halt 204
    end

    get_route '/api/audit' do
      page = Listed.new(AuditEntry.all, by: %i[id], after: params['after'], size: PAGE_SIZE, down: true)
      Record.belonging(page.rows, :by)
      json({ 'items' => page.rows.map { |row| Serialisers.audit_entry(row) }, 'following' => page.following })
    end

    helpers do
      # @raise [InvalidInput] when no page could be printed with it
      def drawable!(bytes)
        PrintMark.new(logo: bytes, words: nil, anchor: nil).draw(Prawn::Document.new)
      rescue StandardError
        raise InvalidInput,
              [{ path: 'image', message: 'this picture cannot be printed: save it as a plain PNG or JPEG' }]
      end

      # Those who left longer ago than what may go of them is kept.
      def school_body
        school = School.current
        long = Person.where(left_on: ..(today - school.keep_left_days), forgotten_on: nil).order(:name)
        logo = school.logo
        { **Serialisers.school(school), 'print_words' => school.print_words, 'keep_left_days' => school.keep_left_days,
                                        'logo' => logo && "data:#{PrintMark.kind(logo)};base64," \
                                          "#{Base64.strict_encode64(logo)}",
                                        'long_gone' => long.map { |one| Serialisers.person_name(one) }, 'kept' => Members::FORGOTTEN }
      end

      def today = @today ||= School.current.today
      def required = @required ||= School.current.booking_rules.required
      def shown(person) = Serialisers.person(person, today, required)

      def found_people
        people = Person.preload(:documents)
        find = params['find'] or return people
        people.where('name ILIKE :word OR sign_in ILIKE :word', word: "%#{Person.sanitize_sql_like(find)}%")
      end

      def own_or_staff!(id)
        return if current_person.instructor? || current_person.id == id

        raise NotFound, 'There is no such person, or it is not you.'
      end

      # What was changed of somebody is the chief's and their own to read.
      def whole(person)
        history = current_person.chief? || current_person.id == person.id
        entries = history ? AuditEntry.latest.where(subject_kind: 'person', subject_id: person.id).preload(:by) : []
        shown(person).merge('history' => entries.map { |row| Serialisers.audit_entry(row) })
      end
    end
  end
end
