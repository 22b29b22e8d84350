# frozen_string_literal: true

require 'active_record'
require 'erb'
require 'que'
require_relative 'settings'

module Fujin
  # Connection and migrations of the one PostgreSQL database.
  module Database
    MIGRATIONS = File.join(Settings::ROOT, 'db', 'migrate')
    GRANTS = File.join(Settings::ROOT, 'db', 'grants.sql')

    module_function

    # A question that takes longer is none that a page asks; a long answer of a job is worked out in Ruby.
    STATEMENT_S = 20
    WAITS_FOR_LOCK_S = 10

    # @param pool [Integer] connections; one a thread, and some for those that a thread starts
    def connect(pool: Integer(ENV.fetch('FUJIN_DB_POOL', '12')))
      ActiveRecord.default_timezone = :utc
      options = ERB::Util.url_encode("-c statement_timeout=#{STATEMENT_S}s -c lock_timeout=#{WAITS_FOR_LOCK_S}s")
      establish("#{Settings.database_url}?pool=#{pool}&connect_timeout=5&options=#{options}")
    end

    # Looks at every table once, before the web splits into processes: none of them has to at its first question.
    def look_round
      Record.descendants.each(&:load_schema)
    rescue ActiveRecord::ActiveRecordError => e
      Fujin.logger.warn("the tables were not looked at beforehand: #{e.class}")
    end

    # Brings the tables up to date, as their owner; the application may then read and write them, and only append to
    # what is never changed.
    def migrate
      as_owner do
        ActiveRecord::Migration.verbose = false
        ActiveRecord::MigrationContext.new(MIGRATIONS).migrate
        ActiveRecord::Base.connection.execute(File.read(GRANTS))
      end
    end

    # @yield signed in as the tables' owner
    def as_owner
      establish("#{Settings.owner_url}?pool=2&connect_timeout=5")
      yield
    ensure
      connect
    end

    def establish(url)
      ActiveRecord::Base.establish_connection(url)
      Que.connection = ActiveRecord
    end
    private_class_method :establish
  end
end
