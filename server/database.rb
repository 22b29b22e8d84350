# frozen_string_literal: true

require 'active_record'
require 'que'
require_relative 'settings'

module Fujin
  # Connection and migrations of the one PostgreSQL database.
  module Database
    MIGRATIONS = File.join(Settings::ROOT, 'db', 'migrate')

    module_function

    def connect(pool: Integer(ENV.fetch('FUJIN_DB_POOL', '20')))
      ActiveRecord.default_timezone = :utc
      ActiveRecord::Base.establish_connection("#{Settings.database_url}?pool=#{pool}&connect_timeout=5")
      Que.connection = ActiveRecord
    end

    def migrate
      ActiveRecord::Migration.verbose = false
      ActiveRecord::MigrationContext.new(MIGRATIONS).migrate
    end

    def reachable?
      ActiveRecord::Base.connection.select_value('SELECT 1') == 1
    rescue ActiveRecord::ActiveRecordError
      false
    end
  end
end
