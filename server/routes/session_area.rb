# frozen_string_literal: true

module Fujin
  # Signing in and out.
  class SessionArea < Area
    get_route('/api/session') { json(session_body) }

    post_route '/api/session' do
      SignInTry.check!(body_json['sign_in'], client_address)
      person = Person.find_by(sign_in: body_json['sign_in'].to_s.strip.downcase)
      # The same work whether or not the name exists, so that timing tells nothing.
      matches = person&.password_digest ? person.password?(body_json['password']) : blind?(body_json['password'])
      unless person && matches
        SignInTry.note(body_json['sign_in'], client_address, false)
        raise NotSignedIn, 'That name and password do not belong together.'
      end
      unless person.may_sign_in?
        raise NotSignedIn,
              Text.of('%{current} has ended this access. Ask the chief instructor.', current: School.current.name)
      end

      prove(person)
      SignInTry.note(person.sign_in, client_address, true)
      begin_session(person)
      json(session_body)
    end

    delete_route '/api/session' do
      PersonSession.live.where(id: session['signed_in']).update_all(ended_at: Time.now.utc)
      session.clear
      @current_person = nil
      halt 204
    end

    # Who was invited, by the word of their link.
    get_route '/api/invitations/:word' do
      invitation = Invitation.open(params['word'])
      json({ 'name' => invitation.person.name, 'sign_in' => invitation.person.sign_in,
             'school' => School.current.name, 'expires_at' => Serialisers.time(invitation.expires_at) })
    end

    # The link is used up by the password that was chosen with it.
    post_route '/api/invitations/:word' do
      invitation = Invitation.open(params['word'])
      person = invitation.person
      Passwords.check!(body_json['password'], person)
      Invitation.transaction do
        invitation.update!(used_at: Time.now.utc)
        person.update!(password: body_json['password'])
        PersonSession.end_all(person)
        SignInTry.note(person.sign_in, client_address, true)
        AuditEntry.note('password chosen by invitation', person, by: person)
      end
      unless person.may_sign_in?
        raise NotSignedIn,
              Text.of('%{current} has ended this access. Ask the chief instructor.', current: School.current.name)
      end

      begin_session(person)
      json(session_body)
    end

    helpers do
      def blind?(text) = BCrypt::Password.new(Person::NOBODYS_DIGEST).is_password?(text.to_s) && false

      # @raise [NotSignedIn] saying that a code is wanted
      def prove(person)
        return unless person.second_factor?

        code = body_json['code'].to_s
        raise NotSignedIn, 'Now the code of your authenticator, or one of your codes on paper.' if code.empty?
        return if SecondFactor.proves?(person, code)

        SignInTry.note(person.sign_in, client_address, false)
        raise NotSignedIn, 'This code does not fit, or was used already.'
      end
    end
  end
end
