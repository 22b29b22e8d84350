# frozen_string_literal: true

require 'json'
require 'net/http'
require 'securerandom'
require 'time'

module Fujin
  module Faults
    # A client that writes one record after the other, each with an id of its own, again and again until it is
    # acknowledged, as a form does; and keeps which were.
    class Writer
      PASSWORD = 'kestrel over heather 7'
      TABLES = { 'tap' => 'fly_events', 'lesson' => 'sorties', 'flight' => 'recordings' }.freeze
      SIGN_IN_AGAIN = /answered 401/

      def initialize(installation, random:)
        @installation = installation
        @random = random
        @written = Hash.new { |all, kind| all[kind] = [] }
      end

      # A school with a lesson to write to.
      def found
        @token = ask('GET', '/api/session')['csrf_token']
        ask('POST', '/api/set-up', {
              school: { name: 'Faults', station: 'XFLT', time_zone: 'UTC', lat_deg: 47.2,
                        lon_deg: -14.3, elevation_ft: 62 },
              chief: { name: 'Chief', sign_in: 'chief', password: PASSWORD, mass_kg: 70 },
              aircraft: { mark: 'Q-FLT', type_id: 'tansy-2' }
            })
        sign_in
        @student = SecureRandom.uuid
        ask('POST', '/api/people', { id: @student, name: 'Student', sign_in: 'student', role: 'student', stage: 'solo',
                                     mass_kg: 70 })
        @aircraft = ask('GET', '/api/aircraft').first['id']
        @lesson = lesson
      end

      def begin = @thread = Thread.new { write until @over }

      def finish
        @over = true
        @thread.join
      end

      # @return [Integer] how many were acknowledged so far
      def count = @written.sum { |_, ids| ids.size }

      # What was acknowledged against what is there.
      def report
        TABLES.map do |kind, table|
          ids = @written[kind]
          quoted = ids.map { |id| "'#{id}'" }.join(',')
          there = ids.empty? ? 0 : @installation.database("SELECT count(*) FROM #{table} WHERE id IN (#{quoted})").to_i
          "#{kind}: #{ids.size} acknowledged, #{ids.size - there} lost, #{ids.size - ids.uniq.size} doubled"
        end
      end

      # @return [Array(Integer, String)] status and words of one tap that is sent once
      def one_tap
        write_tap(SecureRandom.uuid)
        [201, 'taken']
      rescue StandardError => e
        [e.message[/answered (\d+)/, 1].to_i, e.message]
      end

      private

      def sign_in
        @cookie = nil
        @token = ask('GET', '/api/session')['csrf_token']
        @token = ask('POST', '/api/session', { sign_in: 'chief', password: PASSWORD })['csrf_token']
      end

      def lesson = SecureRandom.uuid.tap { |id| write_lesson(id) }

      # @raise when it was not acknowledged
      def ask(verb, path, body = nil)
        request = Net::HTTP.const_get(verb.capitalize).new(@installation.uri(path))
        request['Cookie'] = @cookie if @cookie
        request['X-CSRF-Token'] = @token.to_s
        request['Content-Type'] = 'application/json'
        request.body = JSON.generate(body) if body
        answer = Net::HTTP.start(request.uri.host, request.uri.port, open_timeout: 3, read_timeout: 30) do |http|
          http.request(request)
        end
        @cookie = answer['set-cookie'].split(';').first if answer['set-cookie']
        raise "#{verb} #{path} answered #{answer.code}: #{answer.body[0, 300]}" unless answer.code.start_with?('2')

        answer.body.to_s.empty? ? nil : JSON.parse(answer.body)
      end

      def write
        kind = TABLES.keys.sample(random: @random)
        id = SecureRandom.uuid
        @written[kind] << id if acknowledged? { send(:"write_#{kind}", id) }
        sleep 0.05
      end

      def write_tap(id)
        ask('POST', "/api/sorties/#{@lesson}/events",
            { events: [{ id: id, kind: 'attempt', at: Time.now.utc.iso8601, attempt_no: 1 }] })
      end

      def write_lesson(id)
        ask('POST', '/api/sorties', { id: id, student_id: @student, aircraft_id: @aircraft,
                                      starts_at: Time.now.utc.iso8601, manoeuvre: 'hover' })
      end

      # A recording from the recorder: fetched by a worker, with retries.
      def write_flight(id) = ask('POST', "/api/sorties/#{lesson}/recordings/from-recorder", { id: id })

      def acknowledged?
        yield
        true
      rescue StandardError => e
        sign_in_quietly if e.message.match?(SIGN_IN_AGAIN)
        sleep 0.2
        return false if @over

        retry
      end

      # A session ends by the clock: then who works signs in again.
      def sign_in_quietly
        sign_in
      rescue StandardError
        nil
      end
    end
  end
end
