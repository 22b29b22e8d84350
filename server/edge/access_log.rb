# frozen_string_literal: true

module Fujin
  # One line a question of the API: who (an id), what, how it ended, how long it took. Nothing of what was said.
  class AccessLog
    # Set by whoever found out who is asking.
    PERSON = 'fujin.person'

    def initialize(app)
      @app = app
    end

    def call(env)
      began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      answer = @app.call(env)
      note(env, answer.first, Process.clock_gettime(Process::CLOCK_MONOTONIC) - began)
      answer
    end

    private

    def note(env, status, seconds)
      return unless env['PATH_INFO'].start_with?('/api/')

      Fujin.logger.info('asked', route: env['sinatra.route'] || env['REQUEST_METHOD'], status: status,
                                 ms: (seconds * 1000).round, person: env[PERSON])
    end
  end
end
