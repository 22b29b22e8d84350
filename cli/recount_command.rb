# frozen_string_literal: true

require_relative '../server/running'

module Fujin
  module Commands
    # `recount`: is the progress that is kept what the lessons say?
    class Recount < Command
      def run
        Running.connect
        Fujin::Recount.new(@out).run.zero? ? 0 : 1
      end
    end
  end
end
