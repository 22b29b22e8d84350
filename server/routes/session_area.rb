# frozen_string_literal: true

module Fujin
  # Signing in and out.
  class SessionArea < Area
    get_route('/api/session') { json(session_body) }

    post_route '/api/session' do
      person = Person.find_by(sign_in: body_json['sign_in'].to_s.strip.downcase)
      # The same work whether or not the name exists, so that timing tells nothing.
      matches =
        if person
          person.password?(body_json['password'])
        else
          BCrypt::Password.new(BLIND).is_password?(body_json['password'].to_s)
        end
      raise NotSignedIn, 'That name and password do not belong together.' unless person && matches

      env['rack.session.options'][:renew] = true
      session['person_id'] = person.id
      session['since'] = Time.now.to_i
      @current_person = person
      json(session_body)
    end

    delete_route '/api/session' do
      session.clear
      @current_person = nil
      halt 204
    end

    BLIND = BCrypt::Password.create('nobody', cost: 12).to_s

    helpers do
      def session_body
        school = School.current
        person = current_person
        { 'csrf_token' => session['csrf'] ||= SecureRandom.hex(24),
          'school' => { 'name' => school.name, 'station' => school.station },
          'person' => person && { 'id' => person.id, 'name' => person.name, 'role' => person.role } }
      end
    end
  end
end
