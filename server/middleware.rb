# frozen_string_literal: true

require 'rack/files'
require 'rack/mime'

module Fujin
  # The built web client: files by their path, and the one page for every address of the client's own.
  class StaticPages
    YEAR = 'public, max-age=31536000, immutable'

    def initialize(app, folder)
      @app = app
      @folder = folder
      @files = Rack::Files.new(folder)
    end

    def call(env)
      path = env['PATH_INFO']
      return @app.call(env) if path.start_with?('/api/') || !%w[GET HEAD].include?(env['REQUEST_METHOD'])

      asset = compressed(env, path) || plain(env, path)
      asset || page(env)
    end

    private

    def plain(env, path)
      full = File.expand_path(File.join(@folder, Rack::Utils.unescape_path(path)))
      return nil unless full.start_with?("#{@folder}/") && File.file?(full)

      status, headers, body = @files.call(env)
      headers['cache-control'] = path.start_with?('/assets/') ? YEAR : 'no-cache'
      [status, headers, body]
    end

    # The build leaves a .gz beside each script and style.
    def compressed(env, path)
      return nil unless env['HTTP_ACCEPT_ENCODING'].to_s.include?('gzip') && path.match?(/\.(js|css|svg)\z/)

      full = File.expand_path(File.join(@folder, "#{path}.gz"))
      return nil unless full.start_with?("#{@folder}/") && File.file?(full)

      [
        200,
        {
          'content-type' => Rack::Mime.mime_type(File.extname(path)),
          'content-encoding' => 'gzip',
          'cache-control' => YEAR,
          'vary' => 'accept-encoding'
        },
        [File.binread(full)]
      ]
    end

    def page(env)
      index = File.join(@folder, 'index.html')
      unless File.file?(index)
        return [
          503,
          { 'content-type' => 'text/plain; charset=utf-8' },
          ["The web client is not built yet: run bin/start.\n"]
        ]
      end

      _ = env
      [200, { 'content-type' => 'text/html; charset=utf-8', 'cache-control' => 'no-cache' }, [File.read(index)]]
    end
  end

  # Nothing is fetched from elsewhere, nothing frames us, nothing is sniffed.
  class SecurityHeaders
    POLICY =
      "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; object-src 'none'; base-uri " \
        "'none'; frame-ancestors 'none'"

    def initialize(app)
      @app = app
    end

    def call(env)
      status, headers, body = @app.call(env)
      headers['content-security-policy'] = POLICY
      headers['x-content-type-options'] = 'nosniff'
      headers['referrer-policy'] = 'same-origin'
      [status, headers, body]
    end
  end

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

  # Every change by somebody carries the token that the session was given. A change by nobody has nothing to guard:
  # it goes on to be told that nobody is signed in.
  class CsrfGuard
    SAFE = %w[GET HEAD OPTIONS].freeze

    def initialize(app)
      @app = app
    end

    def call(env)
      return @app.call(env) if SAFE.include?(env['REQUEST_METHOD']) || env['PATH_INFO'] == '/api/session'
      return @app.call(env) if nobody?(env) || valid?(env)

      ProblemError.response(
        403,
        'This page is out of date',
        'The form has no valid token. Reload the page and repeat what you did; nothing was stored.'
      )
    end

    private

    def nobody?(env) = env['rack.session']['signed_in'].nil?

    def valid?(env)
      given = env['HTTP_X_CSRF_TOKEN'].to_s
      kept = env['rack.session']['csrf']
      kept && Rack::Utils.secure_compare(kept, given)
    end
  end

  # Gives the thread's database connection back after each request.
  class ReturnConnections
    def initialize(app)
      @app = app
    end

    def call(env)
      @app.call(env)
    ensure
      ActiveRecord::Base.connection_handler.clear_active_connections!
    end
  end

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
        if Database.reachable?
          [200, { 'content-type' => 'text/plain' }, ["ready\n"]]
        else
          [503, { 'content-type' => 'text/plain' }, ["the database is not there\n"]]
        end
      else
        @app.call(env)
      end
    end
  end
end
