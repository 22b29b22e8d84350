# frozen_string_literal: true

module Fujin
  # What the clock here says, ms since 1970: a tablet lays its own over it.
  class ServerClock
    def initialize(app)
      @app = app
    end

    def call(env)
      status, headers, body = @app.call(env)
      headers['x-server-time'] = (Time.now.to_f * 1000).round.to_s
      [status, headers, body]
    end
  end
end
