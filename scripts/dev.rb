# frozen_string_literal: true

require 'bundler/setup'
require 'etc'
ENV['FUJIN_VAR'] ||= File.expand_path('../var/dev', __dir__)
require_relative '../server/supervisor'

module Fujin
  # The supervisor with the client's own development server in front, and the Ruby processes ended, so started again,
  # when a file of theirs changes.
  class DevSupervisor < Supervisor
    WATCHED = '{core/lib,core/data,server,api,devices,db}/**/*.{rb,yml,yaml,json,ru}'
    RELOADED = %w[web worker].freeze
    LOOK_S = 0.5

    def initialize
      super
      @page_port = @web_port
      @web_port = Integer(ENV.fetch('FUJIN_API_PORT', (@page_port + 9).to_s))
    end

    private

    def environment = super.merge('FUJIN_API_PORT' => @web_port.to_s)
    def address = "http://127.0.0.1:#{@page_port}"

    def services
      [*super, Service.new(name: 'client', signal: 'TERM', start: -> do
        Process.spawn(environment, 'node_modules/.bin/vite', '--host', '127.0.0.1', '--port', @page_port.to_s,
                      '--strictPort', chdir: File.join(ROOT, 'web'), out: log('client'), err: log('client'),
                                      pgroup: true)
      end)]
    end

    def watch
      Thread.new { look until @stopping }
      super
    end

    def look
      seen = changed_at
      @seen ||= seen
      if seen != @seen
        @seen = seen
        puts 'fujin: a file changed; the server starts again'
        RELOADED.each { |name| signal(service(name), 'TERM') }
      end
      sleep LOOK_S
    end

    def changed_at = Dir[File.join(ROOT, WATCHED)].to_h { |file| [file, File.mtime(file)] }
  end
end

Fujin::DevSupervisor.new.run if $PROGRAM_NAME == __FILE__
