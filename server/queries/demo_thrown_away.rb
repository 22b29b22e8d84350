# frozen_string_literal: true

module Fujin
  # Empties Fujin of its demo school. A school of one's own cannot be thrown away like this.
  class DemoThrownAway
    KEPT = %w[schema_migrations ar_internal_metadata que_values].freeze

    # @param name [String] the school's, typed as a confirmation
    def initialize(name)
      @name = name
    end

    # @raise [Conflict]
    def run
      school = School.current
      raise Conflict, "#{school.name} is no demo: it is not thrown away." unless school.demo
      raise Conflict, "Type its name to throw it away: #{school.name}" unless @name == school.name

      connection = Record.connection
      connection.execute("TRUNCATE #{(connection.tables - KEPT).join(', ')} CASCADE")
    end
  end
end
