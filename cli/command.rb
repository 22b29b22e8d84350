# frozen_string_literal: true

module Fujin
  module Commands
    # What every command is given: its words, where it prints, and where it says what went wrong.
    class Command
      def initialize(argv, out, err)
        @options = Options.new(argv)
        @out = out
        @err = err
      end
    end
  end
end
