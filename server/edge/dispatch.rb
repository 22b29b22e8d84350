# frozen_string_literal: true

module Fujin
  # Hands a request to the area that answers it, without asking the others.
  class Dispatch
    # Asked as the other, and answered without the body.
    SAME = { 'HEAD' => 'GET' }.freeze

    # @param areas [Hash{String => Class}] by 'VERB /path'
    def initialize(areas)
      apps = areas.values.uniq.to_h { |area| [area, area.new] }
      @routes = RouteTree.new(areas.transform_values { |area| apps.fetch(area) })
    end

    def call(env)
      verb = env['REQUEST_METHOD']
      found = @routes.find("#{SAME.fetch(verb, verb)} #{env['PATH_INFO']}")
      return found.what.call(env) if found

      ProblemError.response(404, 'Not found', 'There is nothing at this address.')
    end
  end
end
