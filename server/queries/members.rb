# frozen_string_literal: true

module Fujin
  # What a chief instructor does about the school's people, each with a line in the audit log.
  class Members
    CHANGEABLE = %w[name email mass_kg role stage sign_in].freeze
    EMAIL = /\A[^@\s]+@[^@\s]+\z/
    SIGN_IN = /\A[a-z0-9][a-z0-9._-]{1,58}\z/

    # What is kept, by its kind: how long, and why it stays when somebody asks for it to be deleted.
    FORGOTTEN = [
      { 'what' => 'Mail address, password, second factor, sessions, calendar, times away, documents, who looked',
        'goes' => true, 'why' => 'Needed while somebody belongs to the school, not after.' },
      { 'what' => 'Lessons, recordings, attempts, grades and the log of flights', 'goes' => false,
        'why' => 'A training record is evidence for licences and for safety; the authority asks for it.' },
      { 'what' => 'Sign-offs, solo authorities and their withdrawals, with the name in them', 'goes' => false,
        'why' => 'They are signed and chained: without one of them none after it could be checked.' },
      { 'what' => 'Name, sign-in name and mass', 'goes' => false,
        'why' => 'The records above are of this person, and the mass is what they were measured with.' },
      { 'what' => 'What was changed by whom', 'goes' => false, 'why' => 'Who changed a record is part of the record.' }
    ].freeze

    # What of a document stands in the log.
    def self.words_of(document)
      document.fields('kind', 'type_id', 'reference', 'valid_from', 'valid_until').compact
    end

    def initialize(by)
      @by = by
    end

    # @return [Person] who is invited still
    # @raise [InvalidInput, Conflict]
    def add(fields)
      person = Person.new(fields.slice('id', 'name', 'sign_in', 'role', 'stage', 'mass_kg', 'email'))
      tidy(person)
      Person.transaction do
        stored(person)
        AuditEntry.note('added', person, by: @by, became: person.fields(*CHANGEABLE).compact)
      end
      person
    end

    # @raise [InvalidInput, Conflict]
    def change(person, fields)
      why = fields['why']
      person.assign_attributes(fields.slice(*CHANGEABLE))
      tidy(person)
      grave = person.changed.intersect?(%w[role stage])
      if grave && why.to_s.strip.length < 3
        raise InvalidInput,
              [{ path: 'why', message: 'expected a few words on why' }]
      end

      Person.transaction do
        another_chief!(person) if person.role_changed? && person.role_was == 'chief_instructor'
        stored(person)
        PersonSession.end_all(person) if person.saved_change_to_role?
        AuditEntry.note_changes('changed', person, CHANGEABLE, by: @by, why: why)
        KeptProgress.freshen([person]) if person.saved_change_to_stage? && person.learner?
      end
    end

    # @param state [String] 'active', 'suspended' or 'left'
    def put(person, state, why)
      raise Conflict, 'Nobody ends their own access: another chief instructor does.' if person.id == @by.id

      now = Time.now.utc
      Person.transaction do
        another_chief!(person) if person.chief? && state != 'active'
        was = person.state
        person.update!(suspended_at: state == 'suspended' ? now : nil,
                       left_on: state == 'left' ? School.current.day_of(now) : nil)
        PersonSession.end_all(person, now: now) unless state == 'active'
        Invitation.where(person_id: person.id, used_at: nil).update_all(used_at: now) unless state == 'active'
        AuditEntry.note(state == 'active' ? 'back again' : state, person,
                        by: @by, why: why, was: { 'state' => was }, became: { 'state' => state })
      end
    end

    # For somebody whose authenticator and codes on paper are lost: the password alone lets them in again.
    def end_second_factor(person, why)
      Person.transaction do
        person.update!(second_factor: nil, second_factor_since: nil, recovery_codes: [])
        PersonSession.end_all(person)
        AuditEntry.note('second factor ended', person, by: @by, why: why)
      end
    end

    # What of somebody who left need not stay goes. What stays, and why, stands in FORGOTTEN.
    # @raise [Conflict]
    def forget(person, why)
      raise Conflict, Text.of('%{person} has not left.', person: person.name) unless person.left_on
      raise Conflict, Text.of('What may go of %{person} is gone already.', person: person.name) if person.forgotten_on

      Person.transaction do
        [PersonDocument, PersonSession, Invitation, Absence, RecordView].each do |rows|
          rows.where(person_id: person.id).delete_all
        end
        Wait.where(student_id: person.id).delete_all
        person.update!(email: nil, password_digest: nil, second_factor: nil, second_factor_since: nil,
                       recovery_codes: [], calendar_digest: nil, units: {}, forgotten_on: School.current.today)
        AuditEntry.note('forgotten', person, by: @by, why: why)
      end
    end

    # @raise [InvalidInput, UnknownName]
    def add_document(person, fields)
      return if PersonDocument.exists?(id: fields['id'])

      kind = Bookings::DocumentKind.find(fields['kind'])
      check_document(kind, fields)
      PersonDocument.transaction do
        document = PersonDocument.create!(person: person, by: @by, created_at: Time.now.utc,
                                          **fields.slice('id', 'kind', 'type_id', 'reference', 'valid_from', 'valid_u' \
                                            'ntil'))
        AuditEntry.note('document added', person, by: @by, became: self.class.words_of(document))
      end
    end

    private

    def check_document(kind, fields)
      problems = []
      if kind.by_type && !fields['type_' \
        'id']
        problems << { path: 'type_id',
                      message: Text.of('%{kind} is for a type of aircraft: say which', kind: kind.title) }
      end
      TypeStore.find(fields['type_id']) if fields['type_id']
      from, till = fields.values_at('valid_from', 'valid_until').map { |text| text && Date.iso8601(text) }
      problems << { path: 'valid_until', message: 'expected a day after the first one' } if from && till && till < from
      raise InvalidInput, problems if problems.any?
    end

    # A learner has a stage, nobody else does.
    def tidy(person)
      person.sign_in = person.sign_in.to_s.strip.downcase
      person.name = person.name.to_s.strip
      person.email = person.email.presence&.strip
      person.stage = (if person.learner?
                        person.stage || (person.candidate? ? 'instructor' : 'early')
                      else
                        nil
                      end)
      problems = []
      unless person.sign_in.match?(SIGN_IN)
        problems << { path: 'sign_in',
                      message: 'expected 2 to 59 small letters, figures, dots or dashes' }
      end
      problems << { path: 'name', message: 'expected a name' } if person.name.empty?
      if person.email && !person.email.match?(EMAIL)
        problems << { path: 'email',
                      message: 'expected an address as name@place' }
      end
      raise InvalidInput, problems if problems.any?
    end

    def stored(person)
      Person.transaction(requires_new: true) { person.save! }
    rescue ActiveRecord::RecordNotUnique
      raise InvalidInput, [{ path: 'sign_in', message: Text.of('%{sign_in} signs in here already: choose another name',
                                                               sign_in: person.sign_in) }]
    end

    # A school is never left without somebody who can let people in.
    def another_chief!(person)
      others = Person.present.where(role: 'chief_instructor',
                                    suspended_at: nil).where.not(id: person.id).where.not(password_digest: nil)
      unless others.lock.exists?
        raise Conflict,
              Text.of('%{person} is the only chief instructor: make somebody else one first.', person: person.name)
      end
    end
  end
end
