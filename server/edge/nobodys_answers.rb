# frozen_string_literal: true

module Fujin
  # An answer to nobody brings no session: coming late it would end the one that has begun meanwhile.
  # Only the first one does, with the token to sign in by, and the one that ends a session.
  class NobodysAnswers
    # Set by whoever found out who is asking.
    SOMEBODY = 'fujin.somebody'

    def initialize(app)
      @app = app
    end

    def call(env)
      first = env['rack.session']['csrf'].nil?
      answer = @app.call(env)
      env['rack.session.options'][:skip] = true unless env[SOMEBODY] || begins_or_ends?(env, first)
      answer
    end

    private

    def begins_or_ends?(env, first)
      env['PATH_INFO'] == '/api/session' && (first || env['REQUEST_METHOD'] == 'DELETE')
    end
  end
end
