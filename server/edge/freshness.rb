# frozen_string_literal: true

module Fujin
  # How long an answer of the API may be kept: by nobody, for most of it is somebody's; what is the school's alone may
  # be kept by who read it, and asked after. Each read carries what it hashes to, so that the same is not sent twice.
  class Freshness
    NOBODY = 'no-store'
    ASKED_AFTER = 'private, no-cache'
    # What says nothing of any person.
    OF_THE_SCHOOL = %r{\A/api/(catalogue|types(/.*)?|sites|places|document-kinds)\z}

    def initialize(app)
      @app = app
    end

    def call(env)
      status, headers, body = @app.call(env)
      return [status, headers, body] unless env['PATH_INFO'].start_with?('/api/')

      headers['cache-control'] ||= env['PATH_INFO'].match?(OF_THE_SCHOOL) ? ASKED_AFTER : NOBODY
      mark(headers, body) if env['REQUEST_METHOD'] == 'GET' && status == 200 && body.respond_to?(:to_ary)
      [status, headers, body]
    end

    private

    # After the version by which a change is checked, where there is one.
    def mark(headers, body)
      parts = body.to_ary
      return if parts.empty?

      sum = parts.reduce(Digest::SHA256.new) { |all, part| all << part }.hexdigest[0, 16]
      version = headers['etag'].to_s[/\d+/]
      headers['etag'] = %("#{[version, "h#{sum}"].compact.join('-')}")
    end
  end
end
