# frozen_string_literal: true

require 'rqrcode'

module Fujin
  # What everybody does about themselves: password, sessions, second factor, units, what is kept of them.
  class MeArea < Area
    get_route('/api/me') { json(me) }

    patch_route '/api/me' do
      fields = body_json
      fields['units'] && Units.check!(fields['units'])
      # One unit after the other, however quickly: none takes back the one before.
      current_person.with_lock do
        units = current_person.units.merge(fields['units'] || {})
        current_person.update!(fields.slice('email', 'mass_kg').merge('units' => units))
      end
      AuditEntry.note_changes('changed', current_person, %w[email mass_kg], by: current_person)
      json(me)
    end

    put_route '/api/me/password' do
      own_password!('old')

      Passwords.check!(body_json['new'], current_person, field: 'new')
      current_person.update!(password: body_json['new'])
      PersonSession.end_all(current_person, except: session['signed_in'])
      AuditEntry.note('password changed', current_person, by: current_person)
      json(me)
    end

    delete_route '/api/me/sessions/:id' do
      PersonSession.live.where(person_id: current_person.id).find(params['id']).update!(ended_at: Time.now.utc)
      json(me)
    end

    # Begun with a secret that waits to be proved, and the picture that an authenticator reads.
    post_route '/api/me/second-factor' do
      raise Conflict, 'There is a second factor already: end it first.' if current_person.second_factor?

      secret = SecondFactor.new_secret
      current_person.update!(second_factor: SecondFactor.seal(secret), recovery_codes: [])
      address = SecondFactor.address(secret, current_person)
      picture = RQRCode::QRCode.new(address).as_svg(module_size: 4)
      json({ 'secret' => secret, 'address' => address, 'picture' => picture }, status: 201)
    end

    # Proved by a code: from now on sign-in asks for one. The codes on paper are told once.
    put_route '/api/me/second-factor' do
      person = current_person
      raise Conflict, 'There is nothing to prove: begin first.' unless person.second_factor && !person.second_factor?
      raise InvalidInput, [{ path: 'code', message: 'this code does not fit: look at the clock of the device' }] unless
        SecondFactor.proves?(person, body_json['code'])

      codes = SecondFactor.paper_codes
      person.update!(second_factor_since: Time.now.utc, recovery_codes: codes.map { |code| SecondFactor.digest(code) })
      AuditEntry.note('second factor set', person, by: person)
      json({ 'codes' => codes })
    end

    delete_route '/api/me/second-factor' do
      own_password!('password')

      current_person.update!(second_factor: nil, second_factor_since: nil, recovery_codes: [])
      AuditEntry.note('second factor ended', current_person, by: current_person)
      json(me)
    end

    # Everything that is kept of this person, as one file.
    get_route '/api/me/export' do
      content_type 'application/json'
      headers 'Content-Disposition' => %(attachment; filename="#{current_person.sign_in}-#{Time.now.utc.to_date}.json")
      JSON.pretty_generate(OwnData.new(current_person).to_h)
    end

    helpers do
      def own_password!(field)
        return if current_person.password?(body_json[field])

        raise InvalidInput, [{ path: field, message: 'this password does not fit: nothing was changed' }]
      end

      def me
        person = current_person.reload
        today = School.current.today
        sessions = PersonSession.live.where(person_id: person.id).order(seen_at: :desc)
        views = RecordView.where(person_id: person.id).preload(:viewer).order(on_day: :desc).limit(60)
        Serialisers.person(person, today, School.current.booking_rules.required).merge(
          'units' => Units.of(person, School.current),
          'sessions' => sessions.map { |row| Serialisers.person_session(row, session['signed_in']) },
          'failed' => SignInTry.failed.where(name_digest: SignInTry.digest(person.sign_in)).order(at: :desc).limit(20)
            .map { |row| { 'at' => Serialisers.time(row.at), 'address' => row.address } },
          'views' => views.map { |row| Serialisers.record_view(row) }
        )
      end
    end
  end
end
