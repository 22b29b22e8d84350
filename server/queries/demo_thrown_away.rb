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
      raise Conflict, Text.of('%{school} is no demo: it is not thrown away.', school: school.name) unless school.demo
      unless @name == school.name
        raise Conflict, Text.of('Type its name to throw it away: %{school}', school: school.name)
      end

      Record.connection.execute('SELECT throw_demo_away()')
    end
  end
end
