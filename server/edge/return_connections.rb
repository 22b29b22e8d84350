# frozen_string_literal: true

module Fujin
  # Gives the thread's database connection back after each request. What a read asks the database twice is answered
  # once; what changes something is always told how things stand now.
  class ReturnConnections
    def initialize(app)
      @app = app
    end

    def call(env)
      return hung unless DatabaseWatch.shared.answers?
      return @app.call(env) unless env['REQUEST_METHOD'] == 'GET'

      Current.set(reading: true) { ActiveRecord::Base.cache { @app.call(env) } }
    ensure
      Current.reset
      ActiveRecord::Base.connection_handler.clear_active_connections!
    end

    private

    def hung
      ProblemError.response(503, 'The database does not answer',
                            'Nothing was stored. It is tried again by itself; wait a moment, then repeat what you did.')
    end
  end
end
