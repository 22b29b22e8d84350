# frozen_string_literal: true

module Fujin
  # Answers only to the names that this installation goes by, so that no other page on the network can be made to look
  # like it: those of FUJIN_PUBLIC_URL and FUJIN_HOSTS, else this machine's own.
  class HostGuard
    HERE = %w[localhost 127.0.0.1 [::1]].freeze

    # @param hosts [Array<String>] without ports
    def initialize(app, hosts)
      @app = app
      @hosts = hosts + HERE
    end

    def call(env)
      asked = (env['HTTP_HOST'] || env['SERVER_NAME']).to_s.sub(/:\d+\z/, '').downcase
      return @app.call(env) if @hosts.include?(asked)

      ProblemError.response(
        421, 'Not this server',
        Text.of('Fujin does not answer to the name %{asked}. Whoever looks after it names it in FUJIN_PUBLIC_URL.',
                asked: asked[0, 100].inspect)
      )
    end
  end
end
