# frozen_string_literal: true

require 'committee'
require_relative 'route_tree'

module Fujin
  # api/openapi.yaml as requests and answers are held to it.
  class Contract < Committee::Drivers::OpenAPI3::Schema
    VERBS = %w[get post put patch delete].freeze
    PARSED = { strict_reference_validation: true }.freeze

    # @param path [String] of the file
    def self.read(path = Settings::CONTRACT)
      read = Committee::Drivers.load_from_file(path, parser_options: PARSED)
      new(read.driver, read.open_api)
    end

    def initialize(driver, open_api)
      super
      @config = OpenAPIParser::Config.new(PARSED)
      @routes = RouteTree.new(operations)
    end

    # @return [Committee::SchemaValidator::OpenAPI3::OperationWrapper, nil] what is asked for, with what stands in its
    #   places
    def operation_object(path, method)
      found = @routes.find("#{method} #{path}") or return
      result = OpenAPIParser::PathItemFinder::Result.new(*found.what, found.places)
      Committee::SchemaValidator::OpenAPI3::OperationWrapper.new(
        OpenAPIParser::RequestOperation.new(method, result, @config)
      )
    end

    private

    # By 'get /api/…', what the contract says of it.
    def operations
      open_api.paths.path.each_with_object({}) do |(path, item), all|
        VERBS.each { |verb| item.operation(verb)&.then { |one| all["#{verb} #{path}"] = [item, one, path] } }
      end
    end
  end
end
