# frozen_string_literal: true

module Fujin
  # For whoever watches the process: alive, and able to answer.
  class HealthPages
    def initialize(app)
      @app = app
    end

    def call(env)
      case env['PATH_INFO']
      when '/healthz'
        [200, { 'content-type' => 'text/plain' }, ["alive\n"]]
      when '/readyz'
        if DatabaseWatch.shared.answers?
          [200, { 'content-type' => 'text/plain' }, ["ready\n"]]
        else
          [503, { 'content-type' => 'text/plain' }, ["the database does not answer\n"]]
        end
      else
        @app.call(env)
      end
    end
  end
end
