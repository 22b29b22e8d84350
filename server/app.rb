# frozen_string_literal: true

require_relative 'boot'
require 'committee'
require 'rack/session'
require 'active_support/core_ext/digest/uuid'
require 'prometheus/middleware/collector'
require 'prometheus/middleware/exporter'
require_relative 'area'
require_relative 'problem_error'
require_relative 'middleware'
Dir[File.join(__dir__, 'routes', '*.rb')].each { |file| require file }

module Fujin
  # The whole web application as one Rack app.
  module App
    CONTRACT = File.join(Settings::ROOT, 'api', 'openapi.yaml')
    AREAS = [
      SessionArea, SetUpArea, PeopleArea, MeArea, BookingsArea, SoloArea, FleetArea, SchoolArea, SortiesArea,
      PlacesArea, SitesArea, PrepareArea, ReviewArea, RecordArea
    ].freeze

    module_function

    # @param check_responses [Boolean] also holds the server's answers to the contract (tests)
    # @raise [Permissions::Incomplete] when a route names nobody who may call it
    def build(check_responses: false)
      Permissions.check!(Area.routes_declared)
      schema = {
        schema_path: CONTRACT,
        strict_reference_validation: true,
        error_class: ProblemError,
        strict: false,
        parse_response_by_content_type: true
      }
      registry = Prometheus::Client::Registry.new
      Rack::Builder
        .new do
          use Prometheus::Middleware::Collector, registry: registry
          use Prometheus::Middleware::Exporter, registry: registry
          use SecurityHeaders
          use ServerClock
          use Rack::Session::Cookie,
              key: 'fujin.session',
              secret: Digest::SHA512.hexdigest("session #{Settings.secret}"),
              httponly: true,
              same_site: :strict,
              expire_after: Settings::SESSION_HOURS * 3600
          use NobodysAnswers
          use HealthPages
          use StaticPages, Settings.web_folder
          use ReturnConnections
          use CsrfGuard
          if check_responses
            use Committee::Middleware::ResponseValidation, **schema, validate_success_only: false, raise: true
          end
          use Committee::Middleware::RequestValidation, **schema, check_header: true
          AREAS.each { |area| use area }
          run ->(_env) { ProblemError.response(404, 'Not found', 'There is nothing at this address.') }
        end
        .to_app
    end
  end
end
