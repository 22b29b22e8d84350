# frozen_string_literal: true

require_relative 'boot'
require 'rack/session'
require 'active_support/core_ext/digest/uuid'
require_relative 'area'
require_relative 'contract'
require_relative 'contract_fault'
require_relative 'database_watch'
require_relative 'problem_error'
Dir[File.join(__dir__, 'edge', '*.rb')].each { |file| require file }
Dir[File.join(__dir__, 'routes', '*.rb')].each { |file| require file }

module Fujin
  # The whole web application as one Rack app.
  module App
    # What goes over the line in one piece is not quicker for being compressed.
    ONE_PACKET = 1200

    module_function

    # @param check_responses [Boolean] also holds the server's answers to the contract (tests)
    # @raise [Permissions::Incomplete] when a route names nobody who may call it
    def build(check_responses: false)
      Permissions.check!(Area.routes_declared)
      schema = {
        schema: Contract.read,
        error_class: ProblemError,
        strict: false,
        parse_response_by_content_type: true
      }
      registry = Prometheus::Client::Registry.new
      Rack::Builder
        .new do
          use Measured, registry: registry
          use MetricsPage, registry: registry
          use AccessLog
          use SpokenLanguage
          use SecurityHeaders, tls: Settings.tls?
          use ServerClock
          use HealthPages
          use HostGuard, Settings.hosts
          use CleanInput
          use Rack::Deflater, include: %w[application/json application/problem+json text/csv],
                              if: ->(*, body) { !body.respond_to?(:to_ary) || body.to_ary.sum(&:bytesize) > ONE_PACKET }
          use Rack::ConditionalGet
          use Freshness
          # A name that begins so is taken by browsers from this host alone, and only over TLS.
          use Rack::Session::Cookie,
              key: Settings.tls? ? '__Host-fujin.session' : 'fujin.session',
              secret: Digest::SHA512.hexdigest("session #{Settings.secret}"),
              path: '/',
              secure: Settings.tls?,
              assume_ssl: Settings.tls?,
              httponly: true,
              same_site: :strict,
              expire_after: Settings::SESSION_HOURS * 3600
          use NobodysAnswers
          use StaticPages, Settings.web_folder
          use ReturnConnections
          use CsrfGuard
          if check_responses
            use Committee::Middleware::ResponseValidation, **schema, validate_success_only: false, raise: true
          end
          # A number in quotes is text: what is checked is what is read afterwards.
          use Committee::Middleware::RequestValidation, **schema, check_header: true, coerce_form_params: false
          run Dispatch.new(Area.areas)
        end
        .to_app
    end
  end
end
