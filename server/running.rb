# frozen_string_literal: true

require_relative 'cluster'

module Fujin
  # The Fujin that runs on this machine (bin/start; FUJIN_VAR=var/dev for bin/dev), for what works on its rows too.
  module Running
    # There is nothing to work on.
    class NotRunning < Error; end

    ROOT = File.expand_path('..', __dir__)

    module_function

    def var = ENV.fetch('FUJIN_VAR', File.join(ROOT, 'var'))
    def cluster = Cluster.new(File.join(var, 'database'), port: Integer(ENV.fetch('FUJIN_DATABASE_PORT', '4812')))

    # Loads the server's models and queries, and connects them to its database.
    # @raise [NotRunning] when no database answers
    def connect
      cluster = self.cluster
      ENV['FUJIN_DATABASE_URL'] ||= cluster.url('fujin')
      ENV['FUJIN_OWNER_URL'] ||= cluster.owner_url('fujin')
      ENV['FUJIN_SECRET'] ||= File.exist?("#{var}/secret") ? File.read("#{var}/secret").strip : 'beside it'
      require_relative 'boot'
      Database.connect
      ActiveRecord::Base.connection.verify!
    rescue ActiveRecord::ConnectionNotEstablished
      raise NotRunning, 'no database answers. Start Fujin with bin/start first.'
    end
  end
end
