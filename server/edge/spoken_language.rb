# frozen_string_literal: true

module Fujin
  # In which language an answer is told: what the device was set to, else what its browser asks for, else the school's.
  class SpokenLanguage
    COOKIE = 'fujin_language'

    def initialize(app)
      @app = app
    end

    def call(env) = Text.in(wanted(env)) { @app.call(env) }

    private

    def wanted(env)
      chosen = Rack::Utils.parse_cookies(env)[COOKIE]
      asked = Rack::Utils.q_values(env['HTTP_ACCEPT_LANGUAGE']).sort_by { |_, weight| -weight }
        .map { |name, _| name[/\A[a-zA-Z]+/].to_s.downcase }
      ([chosen] + asked).find { |language| Text.languages.include?(language) }
    end
  end
end
