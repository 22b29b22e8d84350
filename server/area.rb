# frozen_string_literal: true

require 'sinatra/base'
require_relative 'permissions'

module Fujin
  # What every area of the API shares: who is calling, JSON in and out, problems, versions.
  class Area < Sinatra::Base
    WRONG = 'Something in the form is not right'
    TOO_LARGE = 'A number is too large to be kept. Nothing was stored.'
    INSIDE = 'Nothing was stored. Try again; if it happens again, tell whoever looks after Fujin.'
    # By what was raised: the status, its title, and what is said where the message itself is for the log, not for who
    # asked.
    STATUS = {
      NotSignedIn => [401, 'Sign in first'],
      NotAllowed => [403, 'Not yours to do'],
      NotFound => [404, 'Not found'],
      ActiveRecord::RecordNotFound => [404, 'Not found', 'There is no such record, or it is not yours.'],
      Stale => [409, 'Changed in the meantime'],
      ActiveRecord::StaleObjectError =>
        [409, 'Changed in the meantime',
         'It was changed elsewhere in the meantime. Read it again, then repeat what you did.'],
      Conflict => [409, 'Not possible now'],
      SignInTry::TooMany => [429, 'Too many tries'],
      TooMuch => [429, 'Too much at once'],
      InvalidInput => [422, WRONG],
      UnknownName => [422, 'Unknown name'],
      OutsideModel => [422, 'Outside the model'],
      UnreadableRecording => [422, 'Not a recording'],
      JSON::ParserError => [400, 'Not readable as JSON'],
      ActiveRecord::RecordNotUnique =>
        [409, 'There already', 'It is there already, under this name or id. Nothing was stored a second time.'],
      ActiveRecord::InvalidForeignKey =>
        [409, 'Not there', 'Something that it names is not there, or not any more. Nothing was stored.'],
      ActiveRecord::NotNullViolation => [422, WRONG, 'Something that is needed is missing. Nothing was stored.'],
      ActiveRecord::RangeError => [422, WRONG, TOO_LARGE],
      ActiveModel::RangeError => [422, WRONG, TOO_LARGE],
      ActiveRecord::ValueTooLong => [422, WRONG, 'A text is too long to be kept. Nothing was stored.'],
      ActiveRecord::ConnectionNotEstablished => [503, 'The database is not there', INSIDE],
      ActiveRecord::StatementInvalid => [503, 'The database did not answer', INSIDE]
    }.freeze

    set :environment, :production
    # Which names the server answers to is for the proxy in front of it to say.
    set :host_authorization, permitted_hosts: []
    set :show_exceptions, false
    set :raise_errors, false
    set :dump_errors, false
    set :logging, false
    disable :static, :sessions, :protection

    @areas = {}

    class << self
      # @return [Hash{String => Class}] by every 'VERB /path', the area that answers it
      def areas = Area.instance_variable_get(:@areas)
      def routes_declared = areas.keys

      %w[get post put patch delete].each do |verb|
        define_method(:"#{verb}_route") do |path, &block|
          name = "#{verb.upcase} #{path}"
          areas[name] = self
          public_send(verb, path) do
            authorise!(name)
            instance_exec(&block)
          end
        end
      end
    end

    error do
      failure = env['sinatra.error']
      _, told = STATUS.find { |klass, _| failure.is_a?(klass) }
      problem(failure, *(told || [500, 'Something went wrong here', INSIDE]))
    end

    helpers do
      def session = env['rack.session']

      # Whoever the cookie's session belongs to, as long as it was not ended and they may still come in.
      def current_person
        return @current_person if defined?(@current_person)

        @current_person = PersonSession.person(session['signed_in'])
        env[NobodysAnswers::SOMEBODY] = true if @current_person
        env[AccessLog::PERSON] = @current_person&.id
        @current_person
      end

      # A new session at every sign-in, so that one that was planted or copied before it is worth nothing.
      def begin_session(person)
        env['rack.session.options'][:renew] = true
        session['csrf'] = SecureRandom.hex(24)
        session['signed_in'] = PersonSession.begin(person, address: client_address, device: request.user_agent).id
        env[NobodysAnswers::SOMEBODY] = true
        @current_person = person
      end

      # Who is asking, by the connection itself; what a header says counts only from a gateway that is named in
      # FUJIN_TRUSTED_PROXIES.
      def client_address
        near = env['REMOTE_ADDR'].to_s
        return near unless Settings.trusted_proxies.include?(near)

        env['HTTP_X_FORWARDED_FOR'].to_s.split(',').last&.strip || near
      end

      # Asked from the machine that Fujin runs on, by nobody in between.
      def here? = %w[127.0.0.1 ::1].include?(env['REMOTE_ADDR']) && env['HTTP_X_FORWARDED_FOR'].nil?

      # Who is signed in, and where; no school where none is set up yet.
      def session_body
        school = School.first
        person = current_person
        { 'csrf_token' => session['csrf'] ||= SecureRandom.hex(24),
          'school' => school && Serialisers.school(school),
          'set_up' => school ? nil : { 'code_needed' => !here? },
          'person' => person && Serialisers.signed_in(person, Units.of(person, school)) }
      end

      def authorise!(route)
        if Permissions.allowed?(route, current_person&.role)
          return unless Permissions.of_the_lesson?(route)

          return of_the_lesson!(lesson_of(route))
        end
        raise NotSignedIn, 'Your session has ended or was never begun.' unless current_person

        raise NotAllowed, Text.of("This is not open to the role '%{role}'.", role: current_person.role.tr('_', ' '))
      end

      # The lesson that a route is about, by the first word of its address.
      def lesson_of(route)
        case route[%r{/api/([a-z]+)}, 1]
        when 'sorties' then Sortie.find(params['id'])
        when 'exercises' then Exercise.find(params['id']).sortie
        when 'attempts' then AttemptRow.select(:id, :sortie_id).find(params['id']).sortie
        else RecordingRow.light.find(params['id']).sortie
        end
      end

      # Others' lessons are read, and judged by a second opinion; they are not changed.
      def of_the_lesson!(sortie)
        return if sortie.taught_by?(current_person)

        raise NotAllowed, Text.of('This is a lesson of %{instructor}, who adds you to it, or the chief instructor ' \
          'does. Nothing was changed. In Review you can give a second opinion.',
                                  instructor: sortie.instructor.name)
      end

      # Students see their own records only.
      def own!(student_id)
        return if current_person.instructor? || current_person.id == student_id

        raise NotFound, 'There is no such record, or it is not yours.'
      end

      # The lesson that is asked for, as this person may see it.
      # @param among [ActiveRecord::Relation, Class] Sortie.with_crew where whoever flies it is shown
      def find_sortie(among: Sortie)
        sortie = among.find(params['id'])
        own!(sortie.student_id)
        sortie.seen_by(current_person)
      end

      def body_json
        @body_json ||= begin
          text = request.body.read
          text.empty? ? {} : JSON.parse(text)
        end
      end

      def json(value, status: 200)
        content_type 'application/json'
        self.status(status)
        JSON.generate(Text.told(value))
      end

      # What the database has under a name already is refused in words.
      # @yield the storing
      # @raise [Conflict]
      def named_once(what, name, more = '.')
        yield
      rescue ActiveRecord::RecordNotUnique
        raise Conflict, Text.of('There is a %{what} called %{name} already%{more}', what: what, name: name, more: more)
      end

      # @param record [#lock_version] whose version the caller must have read
      def match_version!(record)
        given = env['HTTP_IF_MATCH'].to_s[/\d+/]
        raise Stale, record.lock_version unless given && given.to_i == record.lock_version
      end

      def versioned(record) = headers('ETag' => %("#{record.lock_version}"))

      # @param said [String] instead of the failure's own message
      def problem(failure, status, title, said = nil)
        detail = said || failure.message
        Fujin.logger.error(failure) if status >= 500
        body = {
          type: kind(failure),
          title: Text.told(title),
          status: status,
          detail: Text.told(detail.to_s.dup.force_encoding('UTF-8').scrub)
        }
        body[:errors] = Text.told(failure.problems) if failure.is_a?(InvalidInput)
        body[:current_version] = failure.current_version if failure.is_a?(Stale)
        halt status, { 'Content-Type' => 'application/problem+json' }, JSON.generate(body)
      end

      # What failed by our own name for it; what is ours alone to know has none (RFC 9457).
      def kind(failure) = failure.is_a?(Error) ? "urn:fujin:#{failure.class.name.split('::').last}" : 'about:blank'
    end
  end
end
