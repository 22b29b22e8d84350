# frozen_string_literal: true

module Fujin
  # Empties Fujin of its demo school. A school of one's own cannot be thrown away like this.
  class DemoThrownAway
    # @param name [String] the school's, typed as a confirmation
    def initialize(name)
      @name = name
    end

    # @raise [Conflict]
    def run
      school = School.current
      raise Conflict, "#{school.name} is no demo: it is not thrown away." unless school.demo
      raise Conflict, "Type its name to throw it away: #{school.name}" unless @name == school.name

      Record.connection.execute('SELECT throw_demo_away()')
    end
  end
end
