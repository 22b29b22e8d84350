# frozen_string_literal: true

module Fujin
  # Every change by somebody carries the token that the session was given, and comes from a page of ours. A change by
  # nobody has nothing to guard: it goes on to be told that nobody is signed in.
  class CsrfGuard
    SAFE = %w[GET HEAD OPTIONS].freeze

    def initialize(app)
      @app = app
    end

    def call(env)
      return @app.call(env) if SAFE.include?(env['REQUEST_METHOD'])
      return @app.call(env) if ours?(env) && (nobody?(env) || valid?(env))

      ProblemError.response(
        403,
        'This page is out of date',
        'The form has no valid token. Reload the page and repeat what you did; nothing was stored.'
      )
    end

    private

    # Browsers say where a page that changes something is from; what is no browser says nothing.
    def ours?(env)
      origin = env['HTTP_ORIGIN'] or return true
      [Settings.public_url, "http://#{env['HTTP_HOST']}", "https://#{env['HTTP_HOST']}"].compact.include?(origin)
    end

    def nobody?(env) = env['rack.session']['signed_in'].nil?

    def valid?(env)
      given = env['HTTP_X_CSRF_TOKEN'].to_s
      kept = env['rack.session']['csrf']
      kept && Rack::Utils.secure_compare(kept, given)
    end
  end
end
