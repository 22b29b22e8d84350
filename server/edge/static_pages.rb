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
end
