# frozen_string_literal: true

module Fujin
  # Nothing is fetched from elsewhere, nothing frames us, nothing is sniffed.
  class SecurityHeaders
    POLICY =
      "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; object-src 'none'; base-uri " \
        "'none'; frame-ancestors 'none'"

    # Two years, as browsers want it.
    TLS_ONLY = 'max-age=63072000'

    # @param tls [Boolean] people come over TLS, and never otherwise again
    def initialize(app, tls: false)
      @app = app
      @tls = tls
    end

    def call(env)
      status, headers, body = @app.call(env)
      headers['content-security-policy'] = POLICY
      headers['strict-transport-security'] = TLS_ONLY if @tls
      headers['x-content-type-options'] = 'nosniff'
      headers['referrer-policy'] = 'same-origin'
      [status, headers, body]
    end
  end
end
