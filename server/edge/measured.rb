# frozen_string_literal: true

require 'prometheus/middleware/collector'
require 'prometheus/middleware/exporter'

module Fujin
  # Requests counted and timed, one series a route however many addresses are made up.
  class Measured < Prometheus::Middleware::Collector
    private

    def generate_path(env)
      route = env['sinatra.route'].to_s.split(' ', 2).last
      return route if route

      env['PATH_INFO'].start_with?('/api/') ? 'no such route' : 'page'
    end
  end

  # The counts, for whoever watches from this machine or has the token.
  class MetricsPage < Prometheus::Middleware::Exporter
    def call(env)
      return super if env['PATH_INFO'] != '/metrics' || allowed?(env)

      [403, { 'content-type' => 'text/plain' }, ["Ask from this machine, or with the token (FUJIN_METRICS_TOKEN).\n"]]
    end

    private

    def allowed?(env)
      token = Settings.metrics_token
      return true if token && Rack::Utils.secure_compare("Bearer #{token}", env['HTTP_AUTHORIZATION'].to_s)

      %w[127.0.0.1 ::1].include?(env['REMOTE_ADDR']) && env['HTTP_X_FORWARDED_FOR'].nil?
    end
  end
end
